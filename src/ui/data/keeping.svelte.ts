/** Whether the browser keeps the data, how much room there is, and the copy outside the browser. */
import { untrack } from 'svelte';
import { copyIsDue, readCopyPlace, revisionOf, writeCopyPlace, type CopyPlace } from '$workspace';
import { session, theBusiness } from '../window/session.svelte';
import { fileName, Files } from './files';

/** A copy is written when nothing has been done for so long, in milliseconds. */
const QUIET_MS = 15_000;
/** The one window that writes copies. */
const COPY_LOCK = 'upper-line:copy';

interface Picker {
  showSaveFilePicker?(options: {
    suggestedName: string;
    types: { description: string; accept: Record<string, string[]> }[];
  }): Promise<FileSystemFileHandle>;
}
type Asked = FileSystemFileHandle & {
  queryPermission?(how: { mode: 'readwrite' }): Promise<PermissionState>;
  requestPermission?(how: { mode: 'readwrite' }): Promise<PermissionState>;
};

class Keeping {
  /** The browser has promised not to clear the data by itself; null is not known yet, or it does not say. */
  kept = $state<boolean | null>(null);
  room = $state.raw<{ used: number; of: number } | null>(null);
  place = $state.raw<CopyPlace | null>(null);
  /** May the chosen file be written without asking. */
  allowed = $state<PermissionState | null>(null);
  writing = $state(false);
  problem = $state('');
  private readonly files = new Files();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private of = '';

  readonly canWriteFiles = typeof window !== 'undefined' && 'showSaveFilePicker' in window;
  /** It is time to remind of a copy. Looked at with every minute, not with every key: it reads all messages over. */
  readonly due = $derived.by(() => {
    const open = session.business;
    const [minute, place] = [open?.minute, this.place];
    return untrack(
      () => !!open && !!minute && copyIsDue(open.view, place, place?.at == null ? open.now : Date.now()),
    );
  });

  /** Looks how things stand. */
  async look(): Promise<void> {
    const { storage } = navigator;
    this.kept = (await storage?.persisted?.().catch(() => null)) ?? null;
    const estimate = await storage?.estimate?.().catch(() => null);
    this.room =
      estimate?.quota !== undefined && estimate.usage !== undefined
        ? { used: estimate.usage, of: estimate.quota }
        : null;
    const open = session.business;
    if (!open) return;
    this.of = open.id;
    this.place = await readCopyPlace(open.db, open.id).catch(() => null);
    await this.lookAllowed();
  }
  /** Asks the browser to keep the data. */
  async ask(): Promise<void> {
    this.kept = (await navigator.storage?.persist?.().catch(() => false)) ?? null;
    await this.look();
  }

  /** Has a file chosen that copies are written to from now on, and writes the first. */
  async choose(): Promise<void> {
    const { name } = theBusiness().system.business;
    let file: FileSystemFileHandle;
    try {
      file = await (window as unknown as Required<Picker>).showSaveFilePicker({
        suggestedName: fileName(name, 'copy'),
        types: [{ description: 'Everything of a business', accept: { 'application/gzip': ['.gz'] } }],
      });
    } catch (error) {
      if (!(error instanceof DOMException && error.name === 'AbortError'))
        this.problem = `No file was chosen. ${error instanceof Error ? error.message : ''}`;
      return;
    }
    await this.keepPlace({ file, at: null, revision: '' });
    await this.lookAllowed();
    await this.write();
  }
  /** Copies are no longer written by themselves. */
  async forget(): Promise<void> {
    await this.keepPlace({ at: null, revision: '', ...this.place, file: null });
    this.allowed = null;
  }
  /** Asks again for leave to write the chosen file. */
  async allow(): Promise<void> {
    this.allowed =
      (await (this.place?.file as Asked | null)?.requestPermission?.({ mode: 'readwrite' })) ?? null;
    await this.write();
  }

  /** Everything was saved as a file by hand. */
  async saved(): Promise<void> {
    await this.keepPlace({
      file: this.place?.file ?? null,
      at: Date.now(),
      revision: revisionOf(theBusiness().view),
    });
  }

  /** Something has changed: a copy follows once nothing changes any more. */
  changed(): void {
    if (session.business && this.of !== session.business.id) void this.look();
    if (!this.place?.file) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.write(), QUIET_MS);
  }

  /** Writes the copy, where something has changed since the last. */
  async write(): Promise<void> {
    const open = session.business;
    const file = this.place?.file;
    if (!file || !open || this.writing || this.allowed !== 'granted') return;
    const { workspace } = open;
    const revision = revisionOf(open.view);
    if (revision === this.place?.revision) return;
    await navigator.locks.request(COPY_LOCK, { ifAvailable: true }, async (lock) => {
      if (!lock) return;
      this.writing = true;
      this.problem = '';
      try {
        const written = await this.files.write(await workspace.whole(), () => {});
        if (!written) return;
        if (!written.ok) throw new Error(written.message);
        const to = await file.createWritable();
        // What is written replaces the copy before only when all of it is there.
        await to.write(written.file);
        await to.close();
        await this.keepPlace({ file, at: Date.now(), revision });
      } catch (error) {
        this.problem = `The copy could not be written. ${error instanceof Error ? error.message : String(error)}`;
      } finally {
        this.writing = false;
      }
    });
  }

  private async lookAllowed(): Promise<void> {
    const file = this.place?.file as Asked | null | undefined;
    this.allowed = file ? ((await file.queryPermission?.({ mode: 'readwrite' })) ?? 'granted') : null;
  }
  private async keepPlace(place: CopyPlace): Promise<void> {
    this.place = place;
    const { db, id } = theBusiness();
    await writeCopyPlace(db, id, place).catch(() => {});
  }
}
export const keeping = new Keeping();
