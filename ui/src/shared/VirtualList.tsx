import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { ShowMore } from './ShowMore';

/**
 * A long list: only what is near the screen is drawn, and the next page is asked for as its end comes near. The key below it does the
 * same for whoever goes by Tab.
 */
export function VirtualList<T>(props: {
  name: string;
  /** Names the things, in "Show more things". */
  what: string;
  items: T[];
  keyOf: (item: T) => string;
  more: (() => void) | undefined;
  coming: boolean;
  /** About how tall an item is, px; it is measured when drawn. */
  height: number;
  children: (item: T) => ReactNode;
}) {
  const { items, more, coming } = props;
  const list = useRef<HTMLOListElement>(null);
  // How far down the page it begins.
  const [top, setTop] = useState(0);
  useLayoutEffect(() => {
    const at = list.current?.getBoundingClientRect();
    if (at) setTop(at.top + window.scrollY);
  }, []);
  const rows = useWindowVirtualizer({
    count: items.length,
    estimateSize: () => props.height,
    overscan: 8,
    getItemKey: (at) => props.keyOf(items[at] as T),
    scrollMargin: top,
  });
  const drawn = rows.getVirtualItems();
  const last = drawn.at(-1)?.index ?? 0;
  useEffect(() => {
    if (more && !coming && last >= items.length - 4) more();
  }, [last, items.length, more, coming]);
  return (
    <>
      <ol
        ref={list}
        aria-label={props.name}
        className="plain-list"
        style={{ height: rows.getTotalSize(), position: 'relative' }}
      >
        {drawn.map(({ index, key, start }) => (
          <li
            key={key}
            ref={rows.measureElement}
            data-index={index}
            aria-setsize={more ? -1 : items.length}
            aria-posinset={index + 1}
            style={{
              position: 'absolute',
              insetInline: 0,
              transform: `translateY(${start - rows.options.scrollMargin}px)`,
            }}
          >
            {props.children(items[index] as T)}
          </li>
        ))}
      </ol>
      <ShowMore more={more} coming={coming} what={props.what} />
    </>
  );
}
