import { Button, Loader } from '@mantine/core';
import { createContext, type ReactNode, useContext, useDeferredValue, useEffect, useState } from 'react';
import { Refused } from './api/client';
import { Trouble } from './Trouble';

/** What a query or a list of pages tells of itself. */
export interface Loading<T> {
  data: T | undefined;
  error: unknown;
  again: () => void;
}

/** A query in the words of Loaded. */
export const asLoading = <T,>(query: {
  data: T | undefined;
  error: unknown;
  refetch: () => unknown;
}): Loading<T> => ({ data: query.data, error: query.error, again: () => void query.refetch() });

// From here on a wait is said, ms.
const slow = 10_000;

// What cannot be shown however often it is asked for: no second try, but a way on.
const final: Record<number, (what: string) => string> = {
  403: (what) => `${capital(what)} is for instructors.`,
  404: (what) => `${capital(what)} is not here: the address is wrong, or it was never kept.`,
  410: (what) => `${capital(what)} is gone.`,
};

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/**
 * Whatever a page asks for, in each of its states: there, coming, slow, failed, forbidden, gone, offline. What is there stays
 * when asking again fails, and says so.
 */
export function Loaded<T>(props: { of: Loading<T>; what: string; children: (data: T) => ReactNode }) {
  const { data, error, again } = props.of;
  if (data !== undefined) {
    return (
      <>
        {error !== null && error !== undefined && <Old again={again} />}
        {props.children(data)}
      </>
    );
  }
  if (error === null || error === undefined) return <Waiting what={props.what} again={again} />;
  const told = error instanceof Refused ? final[error.status] : undefined;
  if (told === undefined) return <Trouble error={error} again={again} />;
  return (
    <div className="panel empty" role="alert">
      <p>{told(props.what)}</p>
      <Button component="a" href="/" size="lg">
        Back to the start
      </Button>
    </div>
  );
}

/** The same for what takes long to draw: it is drawn in pieces, and hands and keys come between them. */
export function LoadedInPieces<T>(props: { of: Loading<T>; what: string; children: (data: T) => ReactNode }) {
  return <Loaded {...props} of={{ ...props.of, data: useDeferredValue(props.of.data) }} />;
}

/** Where a part of a page fills itself from the server: nothing while that goes well, words and a way on where it does not. */
export function LoadTrouble(props: {
  of: { data: unknown; error: unknown; refetch: () => unknown; isFetching: boolean };
  what: string;
}) {
  const { data, error, refetch, isFetching } = props.of;
  if (data !== undefined) return null;
  if (error === null || error === undefined) {
    return isFetching ? <Waiting what={props.what} again={() => void refetch()} quiet /> : null;
  }
  return (
    <Loaded of={{ data: undefined, error, again: () => void refetch() }} what={props.what}>
      {() => null}
    </Loaded>
  );
}

/** Whether the screen as a whole says already that what it shows is old. */
export const OldIsTold = createContext(false);

const Old = ({ again }: { again: () => void }) =>
  useContext(OldIsTold) ? null : (
    <div className="trouble" role="status">
      <span>This may be old: asking for it again failed.</span>
      <Button variant="default" onClick={again}>
        Try again
      </Button>
    </div>
  );

/** What is still coming; after a while with words and a way on. A quiet one shows nothing before that. */
export function Waiting({ what, again, quiet }: { what: string; again: () => void; quiet?: boolean }) {
  const [long, setLong] = useState(false);
  useEffect(() => {
    const wait = setTimeout(() => setLong(true), slow);
    return () => clearTimeout(wait);
  }, []);
  if (!long && quiet) return null;
  if (!long) return <Loader role="status" aria-label={`Loading ${what}`} />;
  return (
    <div className="trouble" role="status">
      <Loader size="sm" m={0} aria-hidden="true" />
      <span>Still waiting for {what}. The server or the network is slow.</span>
      <Button variant="default" onClick={again}>
        Ask again
      </Button>
    </div>
  );
}
