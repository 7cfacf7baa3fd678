/** A row of large keys, one of which may stand. Tapping the one that stands lifts it when nothing is allowed. */
export function Choice<T extends string>(props: {
  title: string;
  words: Record<T, string>;
  value: T | null;
  onChange: (value: T | null) => void;
  optional?: boolean;
  picture?: (value: T) => React.ReactNode;
}) {
  return (
    <fieldset className="choice">
      <legend>{props.title}</legend>
      <div className="choice-keys">
        {(Object.entries(props.words) as [T, string][]).map(([value, word]) => {
          const stands = props.value === value;
          return (
            <button
              key={value}
              type="button"
              aria-pressed={stands}
              onClick={() => props.onChange(stands && props.optional ? null : value)}
            >
              {props.picture?.(value)}
              {word}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
