/** Versions as differences (JSON Patch, RFC 6902). */
import jsonPatch, { type Operation } from 'fast-json-patch';
import type { System } from '../../core/system';

/** A system with operations done to it; the one before is untouched. @throws where they do not fit it */
export const patched = (before: System, differs: readonly Operation[]): unknown =>
  jsonPatch.applyPatch(before, structuredClone(differs) as Operation[], true, false, true).newDocument;
