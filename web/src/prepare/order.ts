import type { Found, Report, Row } from '../lib/api/types';

export interface Group {
  title: string;
  findings: Found[];
}

/** Findings under the rows they are about, in the rows' order; those about no row come first. */
export function byRow(findings: Found[], rows: Row[]): Group[] {
  const song = findings.filter((found) => !found.finding.rows.length);
  const groups = rows.map((row, i) => ({
    title: row.type === 'mix' ? row.name : `${String(i + 1).padStart(2, '0')} ${row.name}`,
    findings: findings.filter((found) => found.finding.rows[0] === row.id),
  }));
  return [{ title: 'The song', findings: song }, ...groups].filter((group) => group.findings.length);
}

const WORDS = { stops: 'Stops the print', look: 'To look at', know: 'To know' } as const;

/** Findings as they matter, worst first. */
export function bySeverity(findings: Found[]): Group[] {
  return (['stops', 'look', 'know'] as const)
    .map((severity) => ({
      title: WORDS[severity],
      findings: findings.filter((found) => found.finding.severity === severity),
    }))
    .filter((group) => group.findings.length);
}

/** `1 stops · 6 to look at · 4 to know` */
export function counts(open: Report['open'] = { stops: 0, look: 0, know: 0 }): string {
  const parts = [
    [open.stops, open.stops === 1 ? 'stops' : 'stop'],
    [open.look, 'to look at'],
    [open.know, 'to know'],
  ] as const;
  return (
    parts
      .filter(([n]) => n > 0)
      .map(([n, words]) => `${n} ${words}`)
      .join(' · ') || 'nothing left'
  );
}
