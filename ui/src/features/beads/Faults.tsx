import { useRovingIndex } from '@mantine/hooks';
import type { Schemas } from '../../shared/api/client';
import keys from '../../shared/choice.module.css';
import { faults as words } from '../../shared/words';
import type { EvidenceDraft } from './evidenceDraft';

/** Faults seen, as many as there are; one stop of the Tab key. */
export function Faults(props: {
  sheet: Schemas['Sheet'];
  draft: EvidenceDraft;
  change: (part: Partial<EvidenceDraft>) => void;
}) {
  const { faults } = props.draft;
  const slag = props.sheet.job.process?.startsWith('fcaw') ?? false;
  const possible = (Object.entries(words) as [Schemas['Fault'], string][]).filter(
    ([fault]) => slag || fault !== 'slagTrapped',
  );
  const { getItemProps } = useRovingIndex({ total: possible.length, orientation: 'both' });
  const turn = (fault: Schemas['Fault']) =>
    props.change({
      faults: faults.includes(fault) ? faults.filter((other) => other !== fault) : [...faults, fault],
    });
  return (
    <fieldset className={keys.choice}>
      <legend>Faults</legend>
      <div className={keys.keys}>
        {possible.map(([fault, word], index) => (
          <button
            key={fault}
            type="button"
            className="key"
            aria-pressed={faults.includes(fault)}
            {...getItemProps({ index, onClick: () => turn(fault) })}
          >
            {word}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
