/** Which of the frame's own panels are open. */
export const ui = $state({ bench: false, ownBusiness: false, saving: false, keys: false });
