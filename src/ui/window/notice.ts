/** What a window says to whoever looks at it, for some seconds. */
export interface Notice {
  id: string;
  kind: 'success' | 'error' | 'info';
  title: string;
  detail?: string;
  /** It stays until it is closed. */
  stays?: boolean;
  /** Takes back what the notice tells of. */
  undo?: () => void;
}
