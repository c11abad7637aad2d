// npm run voice: reads every text that a person sees for habits that a native-English photographer would stumble over.
// Texts: what stands between tags and in text attributes of templates, the strings of wording, sentences and labels, and the
// prose of the documents.
import { readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Each habit, and what to write instead. */
export const HABITS = [
  [/\bshall\b/i, 'a wish is “should”'],
  [/\b(that|who) would do\b/i, '“worth photographing”, “a good subject”'],
  [/\bsays? (nothing )?of\b|\bsay of\b/i, 'say “shows”, “records”, “about”'],
  [/\bstands? nowhere\b/i, '“has no position”'],
  [/^So (much|far|fast|many)\b/, 'name the quantity'],
  [/\byour hands? (hold|shake|change)s?\b/i, '“you can hold”, “camera shake”, “you change”'],
  [/\b(smear|smears|smeared) (so|from|people)\b/i, '“motion blur”'],
  [/\breckon(ed|ing|s)?\b/i, '“calculate”'],
  [/\bbe(ing)? worked out\b|\bis worked out\b/i, '“calculating”, “still calculating”'],
  [/\bTake it over\b|\btaken over\b/i, '“Use this value”'],
  [/\bas at home\b|\bhome state\b/i, '“base set-up”'],
  [/\bthings? of kit\b/i, '“kit item”'],
  [/\bway really walked\b|\bwalk is walked\b/i, '“recorded track”, “walk finished”'],
  [/\bround the (stop|walls|lens|ring|subject)\b/i, '“around”'],
  [/\bthe schools\b/i, '“approaches”'],
  [/\bways out\b/i, '“what would help”'],
  [/\d+ of 100 (frames|good|who)\b|\$\{[^}]*\} of 100\b/, 'a probability says of what: “sharp: 97 in 100”'],
  [/\bas the crow flies\b/i, '“in a straight line”'],
  [/\bhas to be had\b|\bbrings? home\b/i, '“must-have”, “expect”'],
  [/\bpractitioners\b/i, '“photographers”'],
  [/\bpays\b.*\bwaiting\b|\bwaiting pays\b/i, '“worth waiting”'],
];

const READ = ['app/src/app', 'core/src/stop/intents.ts', 'docs', 'README.md', 'CONTRIBUTING.md'];
const files = execFileSync('git', ['ls-files', ...READ], { cwd: ROOT, encoding: 'utf8' })
  .split('\n')
  .filter((file) => /\.(html|ts|md)$/.test(file) && !/\.spec\.ts$/.test(file));

const TEXT_ATTRIBUTES = /\b(?:label|hint|placeholder|aria-label|sentence|title)="([^"]*)"/g;
const BOUND_TEXTS = /'((?:[^'\\]|\\.)*)'/g;

/** Text between tags, control flow and bindings taken out; then the texts of attributes. */
function textsOfTemplate(template) {
  const lines = template.split('\n');
  return lines.flatMap((line, k) => {
    const attributes = [...line.matchAll(TEXT_ATTRIBUTES)].map(([, text]) => text);
    const bound = /\[[\w.-]+\]="/.test(line) ? [...line.matchAll(BOUND_TEXTS)].map(([, text]) => text) : [];
    const between = line
      .replace(/<[^>]*>?/g, ' ')
      .replace(/^[^<>]*">/, ' ')
      .replace(/@\w+[^{]*\{|\{\{[^}]*\}\}|[{}]/g, ' ')
      .trim();
    const isCode = /^[[(#*]|="|=>|;$/.test(line.trim());
    return [...attributes, ...bound, ...(isCode ? [] : [between])].map((text) => ({ text, line: k + 1 }));
  });
}

/** Strings with a space or a capital in them: the others are keys. */
function textsOfCode(code) {
  return code.split('\n').flatMap((line, k) => {
    if (/^\s*(\/\/|\/?\*|import\b|export \* )/.test(line)) return [];
    const strings = [...line.matchAll(/'((?:[^'\\]|\\.)*)'|`((?:[^`\\]|\\.)*)`/g)].map(([, a, b]) => a ?? b ?? '');
    return strings.filter((text) => / /.test(text) || /^[A-Z]/.test(text)).map((text) => ({ text, line: k + 1 }));
  });
}

/** Prose, line by line; what stands in code marks is code. */
function textsOfProse(prose) {
  return prose.split('\n').map((line, k) => ({ text: line.replace(/`[^`]*`/g, ''), line: k + 1 }));
}

const READERS = { html: textsOfTemplate, ts: textsOfCode, md: textsOfProse };

const found = files.flatMap((file) => {
  const source = readFileSync(join(ROOT, file), 'utf8');
  const texts = READERS[file.split('.').at(-1)](source);
  return texts.flatMap(({ text, line }) =>
    HABITS.flatMap(([habit, instead]) => (habit.test(text) ? [`${file}:${line}: “${text.trim()}”: ${instead}`] : [])),
  );
});
for (const one of found) console.log(one);
console.log(`${found.length} of ${files.length} files' texts to rewrite`);
process.exit(found.length === 0 ? 0 : 1);
