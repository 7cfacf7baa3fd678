import { v7 } from 'uuid';

/** A new id, made by whoever creates the thing; it sorts by time. */
export const newId = (): string => v7();
