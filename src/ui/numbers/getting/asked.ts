import type { Search } from '$standins/carrier/carrier';

/** What somebody looking for a number has filled in. */
export interface Asked extends Pick<Search, 'country' | 'where' | 'kind' | 'pattern' | 'patternAt' | 'row'> {
  /** A number of ours it should be like, E.164, or empty. */
  like: string;
  /** A number that is not ours, as it was typed; null when none is asked about. */
  likeTyped: string | null;
}
