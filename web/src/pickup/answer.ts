/** Under this name a pickup's address carries what to tell the sender, so that it is there when the page opens. */
export const ANSWER = 'answer';

/** Letters that an answer has at the most. */
export const LONGEST_ANSWER = 8_000;

/** The address of a pickup with an answer in it; undefined when it is no pickup's. */
export function answerAddress(address: string, text: string): string | undefined {
  let url: URL;
  try {
    url = new URL(address.trim());
  } catch {
    return undefined;
  }
  // as it is sent, and as it stands in the browser once it is opened
  const token = /^\/p\/([^/]+)$/.exec(url.pathname)?.[1] ?? /^#\/pickup\/([^/?]+)/.exec(url.hash)?.[1];
  if (!/^https?:$/.test(url.protocol) || !token) return undefined;
  url.pathname = '/';
  url.search = '';
  url.hash = `/pickup/${token}?${ANSWER}=${encodeURIComponent(shortened(text))}`;
  return url.href;
}

/** Whole lines, as many as an answer holds. */
function shortened(text: string): string {
  if (text.length <= LONGEST_ANSWER) return text;
  const more = '\n… and more, which does not fit here.';
  const kept = text.slice(0, LONGEST_ANSWER - more.length);
  return kept.slice(0, Math.max(kept.lastIndexOf('\n'), 0)) + more;
}
