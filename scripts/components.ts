/** The list of what ships with the product, with licences: CycloneDX, made by npm from the lock file. */
import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import type { Plugin } from 'vite';

/** @returns the list without what differs from one making to the next */
export function components(): Record<string, unknown> {
  const text = execFileSync(
    'npm',
    ['sbom', '--sbom-format', 'cyclonedx', '--omit', 'dev', '--package-lock-only'],
    {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
      maxBuffer: 64_000_000,
      shell: process.platform === 'win32',
    },
  );
  const {
    serialNumber: _,
    metadata,
    ...list
  } = JSON.parse(text) as Record<string, unknown> & {
    metadata: Record<string, unknown>;
  };
  const { timestamp: __, ...rest } = metadata;
  // Where a package was fetched from says nothing of what it is.
  const parts = (list.components as { externalReferences?: { type: string }[] }[]).map((c) => ({
    ...c,
    externalReferences: c.externalReferences?.filter((r) => r.type !== 'distribution'),
  }));
  return { ...list, components: parts, metadata: rest };
}

/** Puts it beside the pages, before they are built. */
export function componentList(): Plugin {
  return {
    name: 'component-list',
    apply: 'build',
    config() {
      mkdirSync('static', { recursive: true });
      writeFileSync('static/components.cdx.json', JSON.stringify(components(), null, 1));
    },
  };
}
