import { useRovingIndex } from '@mantine/hooks';
import { type KeyboardEvent, memo, type ReactNode } from 'react';
import css from './choice.module.css';

/** Arrows within a row of keys turn nothing else on the page. */
function keepArrows(event: KeyboardEvent) {
  if (event.key.startsWith('Arrow')) event.stopPropagation();
}

/**
 * A row of large keys, one of which may stand: one stop of the Tab key, arrows within. Tapping the one that stands lifts it where nothing
 * is allowed.
 */
function ChoiceOf<T extends string>(props: {
  title: string;
  words: Record<T, string>;
  value: T | null;
  onChange: (value: T | null) => void;
  optional?: boolean;
  picture?: (value: T) => ReactNode;
  className?: string;
}) {
  const all = Object.entries(props.words) as [T, string][];
  const stands = all.findIndex(([value]) => value === props.value);
  const { getItemProps } = useRovingIndex({
    total: all.length,
    orientation: 'both',
    initialIndex: Math.max(0, stands),
  });
  return (
    <fieldset className={[css.choice, props.className].filter(Boolean).join(' ')} onKeyDown={keepArrows}>
      <legend>{props.title}</legend>
      <div className={css.keys}>
        {all.map(([value, word], index) => (
          <button
            key={value}
            type="button"
            className="key"
            aria-pressed={index === stands}
            {...getItemProps({
              index,
              onClick: () => props.onChange(index === stands && props.optional ? null : value),
            })}
          >
            {props.picture?.(value)}
            {word}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** Drawn again only where something of it changed: a form of eight of these is drawn with every key. */
export const Choice = memo(ChoiceOf) as typeof ChoiceOf;
