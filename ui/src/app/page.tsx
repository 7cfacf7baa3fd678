import { type FunctionComponent, lazy, useState } from 'react';

/**
 * A page whose code is fetched when it is first gone to; one whose address is open already is fetched at once, beside the frame
 * around it, and then stands without a stand-in before it.
 */
export function page<N extends string>(
  name: N,
  load: () => Promise<Record<N, FunctionComponent>>,
  at?: RegExp,
): FunctionComponent {
  let ready: FunctionComponent | undefined;
  const get = async (): Promise<{ default: FunctionComponent }> => {
    ready = (await load())[name];
    return { default: ready };
  };
  const Later = lazy(get);
  // What fails here is asked for again by the page itself.
  if (at?.test(window.location.pathname)) get().catch(() => undefined);
  return function Shown() {
    // Kept while it is shown: another one in its place would begin anew.
    const [Page] = useState<FunctionComponent | typeof Later>(() => ready ?? Later);
    return <Page />;
  };
}
