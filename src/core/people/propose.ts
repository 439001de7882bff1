/** Proposing extensions for many at once, by a rule. */
import { checkExtension, ExtensionIndex, reservedFor } from '../numbering';
import { extensionsInUse, type System } from '../system';

export const EXTENSION_RULES = {
  'next free': 'the next free one',
  'by site': 'the next free one in a hundred for each site',
  'last digits': 'the last digits of the direct number, where that is free',
} as const;
export type ExtensionRule = keyof typeof EXTENSION_RULES;

/** Gives extensions out one after the other; what it gave or was told of is taken from then on. */
export class ExtensionProposer {
  private index: ExtensionIndex;
  /** The hundred of each site, and where to look on. */
  private hundreds = new Map<string, string>();
  private lastFree = new Map<string, number>();

  constructor(
    private system: System,
    private rule: ExtensionRule,
  ) {
    this.index = new ExtensionIndex(extensionsInUse(system));
  }

  /** Why an extension cannot be somebody's, or undefined. @param except one that is theirs already */
  wrong(extension: string, except?: string): string | undefined {
    return checkExtension(extension, this.index, this.system.business, except);
  }

  take(extension: string, who: string): void {
    this.index.add({ extension, who });
  }

  /** Frees one that its owner gives up for another. */
  free(extension: string): void {
    this.index.remove(extension);
  }

  /** An extension for somebody, or undefined when none is left. @param direct their direct number, E.164, or '' */
  propose(siteId: string | null, direct: string): string | undefined {
    const { extensionLength: length } = this.system.business;
    if (this.rule === 'last digits' && direct) {
      const last = direct.slice(-length);
      if (!last.startsWith('0') && this.isFree(last)) return last;
    }
    if (this.rule === 'by site' && length > 2) {
      const head = this.hundredOf(siteId ?? '');
      const found = head && this.nextFrom(Number(`${head}01`), Number(`${head}99`));
      if (found) return found;
    }
    return (
      this.nextFrom(this.first(), 10 ** length - 1) ?? this.nextFrom(10 ** (length - 1), 10 ** length - 1)
    );
  }

  private isFree(extension: string): boolean {
    return !reservedFor(extension, this.system.business) && !this.wrong(extension);
  }

  /** The lowest in use, or 201 of an empty business with three digits. */
  private first(): number {
    const length = this.system.business.extensionLength;
    const own = extensionsInUse(this.system).flatMap((e) =>
      e.extension.length === length ? Number(e.extension) : [],
    );
    return own.length ? Math.min(...own) : 2 * 10 ** (length - 1) + 1;
  }

  private nextFrom(from: number, to: number): string | undefined {
    const key = `${from}-${to}`;
    for (let n = this.lastFree.get(key) ?? from; n <= to; n++) {
      if (!this.isFree(String(n))) continue;
      this.lastFree.set(key, n);
      return String(n);
    }
    this.lastFree.set(key, to + 1);
    return undefined;
  }

  /** The digits before the last two that a site's people have: those most have, else the first that nobody has. */
  private hundredOf(siteId: string): string | undefined {
    const known = this.hundreds.get(siteId);
    if (known) return known;
    const { people, business } = this.system;
    const heads = new Map<string, number>();
    const others = new Set(this.hundreds.values());
    for (const p of Object.values(people)) {
      if (p.extension.length !== business.extensionLength) continue;
      const head = p.extension.slice(0, -2);
      if ((p.siteId ?? '') === siteId) heads.set(head, (heads.get(head) ?? 0) + 1);
      else others.add(head);
    }
    const [most] = [...heads].sort((a, b) => b[1] - a[1]);
    let head = most?.[0];
    const digits = business.extensionLength - 2;
    for (let n = 2 * 10 ** (digits - 1); !head && n < 10 ** digits; n++)
      if (!others.has(String(n)) && !this.wrong(`${n}01`)) head = String(n);
    if (head) this.hundreds.set(siteId, head);
    return head;
  }
}
