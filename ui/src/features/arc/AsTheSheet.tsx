import { Button } from '@mantine/core';
import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { SettingsPlane } from '../sheets/SettingsPlane';
import type { Arc } from './useArc';

/** Where the arc stands beside the sheet for its plate, and a key that sets it so. */
export function AsTheSheet(props: {
  sheet: Schemas['Sheet'] | undefined;
  arc: Arc;
  onChange: (part: Partial<Arc>) => void;
}) {
  const { sheet, arc, onChange: change } = props;
  const { show } = useUnits();
  const { pair, tig } = sheet ?? {};
  return (
    <>
      {pair ? (
        <>
          <SettingsPlane
            pair={pair}
            beads={[
              {
                number: 1,
                verdict: 'open',
                used: { wireFeedMPerMin: arc.wireFeedMPerMin, volts: arc.volts },
              },
            ]}
          />
          <Button
            variant="default"
            onClick={() =>
              change({
                wireFeedMPerMin: pair.wireFeedMPerMin,
                volts: Number(pair.volts.aimVolts.toFixed(1)),
                stickOutMm: pair.stickOut.aimMm,
              })
            }
          >
            Set it as the sheet says: {show('wireFeed', pair.wireFeedMPerMin)},{' '}
            {show('volts', pair.volts.aimVolts)}
          </Button>
        </>
      ) : tig ? (
        <Button
          variant="default"
          onClick={() => change({ amps: sheet?.amps ?? null, stickOutMm: tig.tungstenMm })}
        >
          Set it as the sheet says: {show('amps', sheet?.amps ?? 0)}, an arc of{' '}
          {show('length', tig.tungstenMm)}
        </Button>
      ) : (
        <p className="quiet">No sheet for this plate and what is loaded.</p>
      )}
    </>
  );
}
