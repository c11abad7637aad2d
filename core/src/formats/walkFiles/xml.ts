const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' };

/** What XML 1.0 cannot hold at all, not even escaped (its production 2, turned round). */
const FORBIDDEN = /[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu;

/** A text as it stands in an element or an attribute of XML. */
export function xmlText(text: string): string {
  return text.replace(FORBIDDEN, '').replace(/[&<>"']/g, (one) => ENTITIES[one] ?? one);
}
