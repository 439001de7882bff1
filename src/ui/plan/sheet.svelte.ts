/** What of a plan sheet is folded up, and the dragging of its steps. */
import Sortable from 'sortablejs';
import { SvelteSet } from 'svelte/reactivity';
import type { Attachment } from 'svelte/attachments';
import type { Plan, StepList } from '$core/system';
import { moveStepTo } from './edits';

/** Branches folded up, as "step/branch". */
export const folded = new SvelteSet<string>();

export const branchKey = (stepId: string, branch: number): string => `${stepId}/${branch}`;

/** Lets the steps of a list be dragged, within it and to any other list of the same plan. */
export const draggable =
  (plan: () => Plan, place: StepList): Attachment<HTMLElement> =>
  (list) => {
    list.dataset.place = JSON.stringify(place);
    const sortable = Sortable.create(list, {
      group: 'plan-steps',
      handle: '.grip',
      animation: 120,
      // The browser's own dragging cannot be driven the same way by finger and mouse.
      forceFallback: true,
      fallbackOnBody: true,
      fallbackClass: 'dragged-step',
      ghostClass: 'lands',
      emptyInsertThreshold: 18,
      onStart: () => document.body.classList.add('dragging-step'),
      swapThreshold: 0.5,
      onEnd: ({ item, from, to, oldIndex, newIndex }) => {
        document.body.classList.remove('dragging-step');
        if (oldIndex === undefined || newIndex === undefined) return;
        // The page is drawn from the plan: what was moved by hand goes back, and the plan is changed.
        from.insertBefore(
          item,
          from.children[oldIndex + (from === to && newIndex < oldIndex ? 1 : 0)] ?? null,
        );
        if (from === to && newIndex === oldIndex) return;
        moveStepTo(plan(), item.dataset.step!, JSON.parse(to.dataset.place ?? 'null') as StepList, newIndex);
      },
    });
    return () => {
      document.body.classList.remove('dragging-step');
      sortable.destroy();
    };
  };
