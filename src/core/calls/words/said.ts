/** What the caller has said and pressed so far, for whoever is rung and whoever hears the message. */
import { branchInWords } from '../../answering';
import { allSteps, type System } from '../../system';
import type { Trace } from '../base/trace';

export interface Note {
  label: string;
  text: string;
}

/** Notes of a call in the order they came; questions that nobody answered are left out. */
export function saidSoFar(trace: Trace, system: System): Note[] {
  const notes: Note[] = [];
  let menu: { stepId: string; keys: string } | null = null;
  const pressed = () => {
    if (menu?.keys) notes.push({ label: 'Pressed', text: keyWords(menu.stepId, menu.keys, system) });
    menu = null;
  };
  for (const e of trace) {
    if (e.kind === 'menu') menu = { stepId: e.stepId, keys: '' };
    else if (e.kind === 'key' && menu) menu.keys += e.key;
    else if (e.kind === 'wrong key') menu = null;
    else if (e.kind === 'dialled') {
      menu = null;
      notes.push({ label: 'Dialled', text: e.who });
    } else if (e.kind === 'noted' && e.text) notes.push({ label: e.label, text: e.text });
    else if (e.kind === 'notified' && e.how === 'note') notes.push({ label: 'Note', text: e.text });
    else if (e.kind === 'step') pressed();
  }
  return notes;
}

/** A key with what the menu says it is for: the first words of what its branch does. */
function keyWords(stepId: string, keys: string, system: System): string {
  for (const plan of Object.values(system.plans))
    for (const step of allSteps(plan.steps)) {
      if (step.id !== stepId || step.kind !== 'menu') continue;
      const branch = step.branches.findIndex((b) => b.key === keys);
      const menu = step.recordingId ? system.recordings[step.recordingId]?.name : undefined;
      return `${branch < 0 ? keys : branchInWords(step, branch, system).replace('Key ', '')}${menu ? ` in “${menu}”` : ''}`;
    }
  return keys;
}
