import { chromium } from 'playwright';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const shots = process.argv.slice(2);
const phone = process.env.PHONE === '1';
const p = await b.newPage({
  viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
  hasTouch: phone,
  isMobile: phone,
});
p.on('console', (m) => m.type() === 'error' && console.log('ERR', m.text()));
p.on('pageerror', (e) => console.log('PAGEERR', e.message));
for (const [k, s] of shots.entries()) {
  const [url, ...acts] = s.split('|');
  await p.goto('http://localhost:4399' + url);
  await p.waitForTimeout(Number(process.env.WAIT ?? 6000));
  for (const a of acts) {
    try {
      await eval(`(async()=>{${a}})()`);
    } catch (e) {
      console.log('ACT', e.message.slice(0, 300));
    }
    await p.waitForTimeout(1500);
  }
  await p.screenshot({ path: `/tmp/z${k}.png` });
}
await b.close();
