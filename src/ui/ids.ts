import { nanoid } from 'nanoid';

/** A new id: "person-V1StGXR8_Z5j". */
export const freshId = (kind: string): string => `${kind}-${nanoid(12)}`;
