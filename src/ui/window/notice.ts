/** What a window says to whoever looks at it, for some seconds. */
export interface Notice {
  id: string;
  kind: 'success' | 'error' | 'info';
  title: string;
  detail?: string;
  /** It stays until it is closed. */
  stays?: boolean;
  /** What can be done about it besides, in a word or two. */
  act?: { words: string; do: () => void };
  /** Epoch milliseconds, once it has been said. */
  at?: number;
  /** Takes back what the notice tells of. */
  undo?: () => void;
}
