import { Id } from '$core/system';

/** What can be the id of something here. Anything else in a path is a page that there is not. */
export const match = (param: string): boolean => Id.safeParse(param).success;
