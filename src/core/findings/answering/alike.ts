/** Findings that say the same of many things, told once. */
import { group } from 'd3-array';
import type { Finding } from '../finding';

/** So many of a kind are told together; fewer stand each for itself. */
const LEAST_ALIKE = 3;

/** What was found, whatever it was found of: the same check, as grave, with the same to say. */
const kindOf = ({ id, severity, detail }: Finding): string =>
  `${severity} ${id.slice(0, id.lastIndexOf(':'))} ${detail}`;

/**
 * Puts together what is found of three things or more: each once, where the first of its kind stood.
 * @returns every finding once, in groups of at least one
 */
export function alike(findings: readonly Finding[]): Finding[][] {
  const kinds = group(findings, kindOf);
  const told = new Set<string>();
  return findings.flatMap((finding) => {
    const kind = kindOf(finding);
    const all = kinds.get(kind)!;
    if (all.length < LEAST_ALIKE) return [[finding]];
    if (told.has(kind)) return [];
    told.add(kind);
    return [all];
  });
}
