const FOLDED = 'upper-line:strip-folded';
function readFolded(): boolean {
  try {
    return localStorage.getItem(FOLDED) === 'yes';
  } catch {
    return false;
  }
}
/** The strip for rehearsals is one line high, here and whenever it is opened again. */
export function fold(folded: boolean): void {
  ui.folded = folded;
  try {
    localStorage.setItem(FOLDED, folded ? 'yes' : 'no');
  } catch {
    // Without room it holds as long as the window is not reloaded.
  }
}

/** Which of the frame's own panels are open. */
export const ui = $state({
  bench: false,
  ownBusiness: false,
  saving: false,
  keys: false,
  folded: readFolded(),
});
