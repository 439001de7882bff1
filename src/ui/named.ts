/** Carbon names a box that has no role; a name is only heard where there is one. Attached to whatever is around the box. */
export const named = (label: string) => (node: HTMLElement) => {
  const box = node.querySelector('.bx--list-box');
  box?.setAttribute('role', 'group');
  box?.setAttribute('aria-label', label);
};
