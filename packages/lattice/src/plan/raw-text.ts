import { type Finding, finding } from '../problem/index.js';

/** Whether text would end the raw-text element it stands in, or hide its end (https://html.spec.whatwg.org/#restrictions-for-contents-of-script-elements). */
export function closesRawText(tag: string, text: string): boolean {
  return new RegExp(`</${tag}|<!--`, 'i').test(text);
}

export function rawTextFault(tag: string): Finding {
  return finding('content-not-allowed', {
    what: `Text with "</${tag}" or "<!--"`,
    place: `in <${tag}>`,
    hint:
      tag === 'script'
        ? 'Write "<\\/script" in the script’s strings; for data use the attribute json: value.'
        : 'Write "<\\/style".',
  });
}
