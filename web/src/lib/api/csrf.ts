/** What our pages say and pages of others cannot, where the server gave a token. */
export function tokenHeader(): Record<string, string> {
  const token = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1];
  return token ? { 'X-XSRF-TOKEN': decodeURIComponent(token) } : {};
}
