/**
 * What every page needs comes in few files: each request costs the browser and the server more than the bytes in it. What is
 * needed by one page only, or later, stays apart.
 */
import type { Plugin } from 'vite';

/** Pages that load most of what others load, by the file the framework makes of each: first what all need (the page for errors is asked for by each), then the administration with its first page. */
const SHARED = [
  { name: 'all', of: /client-optimized\/(app|nodes\/[01])\.js$|kit\/src\/runtime\/client\/entry\.js$/ },
  { name: 'administration', of: /client-optimized\/nodes\/2\.js$|routes\/\(admin\)\/\+page\.svelte$/ },
] as const;

export function fewChunks(): Plugin {
  const group = new Map<string, string>();
  return {
    name: 'few-chunks',
    apply: 'build',
    applyToEnvironment: ({ name }) => name === 'client',
    outputOptions: (options) => ({
      ...options,
      codeSplitting: {
        groups: [
          { name: (id: string) => group.get(id) ?? null, priority: 1 },
          // Small files are not put together further: that made files that wait for each other, and a page that could not be shown.
          { name: 'page', entriesAware: true },
        ],
      },
    }),
    // Whatever a page imports at once, and what that does.
    buildEnd() {
      for (const { name, of } of SHARED) {
        const found = [...this.getModuleIds()].filter((id) => of.test(id));
        // What the framework makes of a page imports it.
        const next = found.flatMap((id) => [id, ...(this.getModuleInfo(id)?.importers ?? [])]);
        for (let id = next.pop(); id !== undefined; id = next.pop()) {
          if (group.has(id)) continue;
          group.set(id, name);
          next.push(...(this.getModuleInfo(id)?.importedIds ?? []));
        }
      }
    },
    // A file that waits for itself has nothing to give when it is first asked: such a page could not be shown.
    generateBundle(_, bundle) {
      const done = new Set<string>();
      const through = (name: string, way: string[]): void => {
        if (way.includes(name)) this.error(`Files wait for each other: ${[...way, name].join(' → ')}`);
        const chunk = bundle[name];
        if (done.has(name) || chunk?.type !== 'chunk') return;
        for (const next of chunk.imports) through(next, [...way, name]);
        done.add(name);
      };
      for (const name of Object.keys(bundle)) through(name, []);
    },
  };
}
