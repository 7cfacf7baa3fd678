import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Something noted here that the server does not have yet. */
export interface Waiting {
  /** Its place in the order it is sent in. */
  seq: number;
  /** The id it has there, so that it is taken once however often it is sent. */
  id: string;
  kind: 'bead' | 'picture' | 'recording' | 'sweep';
  /** The bead it is, or is of; of a sweep its own id. */
  beadId: string;
  /** The sheet it was welded to. */
  sheetId: string;
  /** What it is called here: "Bead 7", "Face". */
  label: string;
  /** Where it goes, with whoever was signed in; a bead that waited goes elsewhere than one that did not. */
  path: string;
  body: string | Blob;
  /** Who noted it. */
  who: string;
  /** By which sign-in at this tablet; null on a screen of their own. */
  standing: string | null;
  notedAt: number;
  /** Not to be sent before its bead is saved. */
  held: boolean;
  /** Whether its first sending failed: whoever noted it is not at the form any more. */
  waited: boolean;
  /** How often the server broke over it. */
  broke: number;
  /** Why it is not sent any more; null while it is. */
  stuck: string | null;
  /** What its student said of it, where that is shown while it waits. */
  own: { verdict: string; change: string } | null;
}

interface Schema extends DBSchema {
  waiting: { key: number; value: Waiting; indexes: { bead: string } };
  kept: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** The store of this browser. What an edition adds is added here; what waits is never thrown away. */
export const outboxDb = () =>
  (opened ??= openDB<Schema>('gentle-bead', 1, {
    upgrade: (db) => {
      db.createObjectStore('waiting', { keyPath: 'seq', autoIncrement: true }).createIndex('bead', 'beadId');
      db.createObjectStore('kept');
    },
    // A newer edition of the page in another tab asks for it: closed here, opened again when it is wanted.
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      opened = undefined;
    },
    terminated: () => {
      opened = undefined;
    },
  }));
