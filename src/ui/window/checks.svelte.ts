/** What is found of the draft, kept up to date: the findings, and whether each promise is kept. */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { untrack } from 'svelte';
import { version } from '$app/environment';
import { findingsOf, type Finding } from '$core/findings';
import { checkPromises, type Verdict } from '$core/promises';
import type { Standing, System } from '$core/system';
import { CoverageAsked, CoverageClient } from '../coverage/client';
import { isQuick } from '../coverage/quick';
import { freshId } from '../ids';

/** What is looked at; reactive. */
interface LookedAt {
  readonly id: string;
  /** Of the draft: a new one with every step. */
  readonly revision: string;
  readonly system: System;
  readonly standing: Standing;
  readonly today: string;
  readonly minute: number;
  readonly cameBack: Record<string, string>;
  readonly troubled: Record<string, { n: number; why: string }>;
  readonly workspace: { now(): number };
}

/** Long enough for a frame to be drawn, short enough not to be noticed. */
const AFTER_DRAWING_MS = 60;
/** A page that has just been opened is for whoever opened it first: what takes a core for a second comes after that. */
const AFTER_OPENING_MS = 1000;
/** Where what was found is kept for the next page, in this window or another. */
const keptAt = (businessId: string): string => `upper-line:verdicts:${businessId}`;

export class Checks {
  /** Looked for once the screen has been drawn, for in a large business it takes a while. */
  findings = $state.raw<Finding[]>([]);
  /** Whether each promise is kept, as a worker found; null until it has looked. */
  verdicts = $state.raw<Verdict[] | null>(null);
  /** The draft that the verdicts are about. */
  private verdictsOf = $state.raw<System | undefined>(undefined);
  /** The draft and the verdicts that the findings are about. */
  private findingsAbout = $state.raw<{ system: System; verdicts: Verdict[] | null } | undefined>(undefined);
  private readonly broken = $derived(
    (this.verdicts ?? []).filter((v) => v.is === 'broken' || v.is === 'not followed'),
  );
  private readonly worker = new CoverageClient();
  /** Of its own: what takes a second is not in the way of what takes a tenth. */
  private readonly finder = new CoverageAsked();

  /** Looks no more. */
  readonly close: () => void;

  constructor(private readonly at: LookedAt) {
    const close = $effect.root(() => {
      $effect(() => this.find());
      $effect(() => this.holdPromises());
    });
    this.close = () => {
      close();
      this.finder.stop();
      this.worker.stop();
    };
  }

  /** Whether the draft as it is now has been held against the promises, and what came of that stands in the findings. */
  get done(): boolean {
    const { system } = this.at;
    return (
      this.verdictsOf !== undefined &&
      this.verdictsOf === system &&
      this.findingsAbout?.system === system &&
      this.findingsAbout?.verdicts === this.verdicts
    );
  }

  private find(): (() => void) | undefined {
    const { system, standing, today, minute, cameBack, troubled } = this.at;
    const { broken, verdicts } = this;
    const asked = { system, standing, today, now: minute, cameBack, troubled, broken };
    const here = () => findingsOf({ ...asked, freshId });
    const tell = (found: Finding[]) => {
      this.findings = found;
      this.findingsAbout = { system, verdicts };
    };
    const look = async () => {
      if (isQuick(system)) return tell(here());
      const found = await this.finder
        .ask((w) => w.findings(asked) as Promise<Finding[]>)
        // A worker that failed must not keep anybody from seeing what is wrong: then it is looked for here.
        .catch(here);
      if (found) tell(found);
    };
    // Untracked: what is found must not be a reason to look again.
    const first = untrack(() => !this.findings.length);
    const timer = setTimeout(() => void look(), first ? 0 : AFTER_DRAWING_MS);
    return () => clearTimeout(timer);
  }

  private holdPromises(): (() => void) | undefined {
    const { system, standing, today } = this.at;
    if (!Object.keys(system.promises).length) {
      this.verdicts = [];
      this.verdictsOf = system;
      return;
    }
    // The coming year is another one every day.
    const revision = untrack(() => this.at.revision);
    const about = hashOf(JSON.stringify([version, revision, standing, today]));
    const known = untrack(() => this.known(about));
    if (known) {
      this.verdicts = known;
      this.verdictsOf = system;
      return;
    }
    const look = async () => {
      const now = this.at.workspace.now();
      const found = await this.worker
        .ask((w) => w.promises(system, standing, now) as Promise<Verdict[]>)
        // A worker that failed must not keep a draft from going in force: then it is worked out here.
        .catch(() => checkPromises(system, standing, now));
      if (!found) return;
      this.verdicts = found;
      this.verdictsOf = system;
      this.keep(about, found);
    };
    const first = untrack(() => this.verdicts === null);
    const timer = setTimeout(() => void look(), first ? AFTER_OPENING_MS : AFTER_DRAWING_MS);
    return () => clearTimeout(timer);
  }

  /** What was found of the same draft, standing and day before. */
  private known(about: string): Verdict[] | undefined {
    try {
      const kept = JSON.parse(localStorage.getItem(keptAt(this.at.id)) ?? 'null') as Kept | null;
      return kept?.about === about ? kept.verdicts : undefined;
    } catch {
      return undefined;
    }
  }
  private keep(about: string, verdicts: Verdict[]): void {
    try {
      localStorage.setItem(keptAt(this.at.id), JSON.stringify({ about, verdicts } satisfies Kept));
    } catch {
      // Without room the next page looks again.
    }
  }
}

interface Kept {
  about: string;
  verdicts: Verdict[];
}

const hashOf = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));
