import type { BriefDocument } from '../lib/api/types';

/** The document as it stands in a link: UTF-8 in letters that addresses take. */
export function coded(document: BriefDocument): string {
  const bytes = new TextEncoder().encode(JSON.stringify(document));
  const binary = Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');
  return btoa(binary).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '');
}

/** What a link holds; nothing where it was cut off or changed underway. */
export function decoded(code: string): BriefDocument | undefined {
  try {
    const binary = atob(code.replaceAll('-', '+').replaceAll('_', '/'));
    const text = new TextDecoder('utf-8', { fatal: true }).decode(Uint8Array.from(binary, (c) => c.charCodeAt(0)));
    const document = JSON.parse(text) as Partial<BriefDocument>;
    return document.form === 'apodex-brief' && document.brief?.name ? (document as BriefDocument) : undefined;
  } catch {
    return undefined;
  }
}

/** Where a brief opens, seen from the page that is open. */
export const linkTo = (document: BriefDocument) => `${location.origin}${location.pathname}#/brief/${coded(document)}`;
