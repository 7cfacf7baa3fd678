import type { Schemas } from '../../shared/api/client';
import { inUnits, type System } from '../../shared/units';
import css from './capture.module.css';
import { SettingUsed, type Used } from './SettingUsed';

/** What a bead was laid with, as it is being noted. */
export interface SettingsDraft {
  wire: Used;
  volt: Used;
  amp: Used;
}

const kinds = [
  {
    part: 'wire',
    title: 'Wire',
    kind: 'wireFeed',
    control: 'wireControl',
    wrong: ['wireMark', 'wireFeedMPerMin'],
    tungsten: false,
  },
  {
    part: 'volt',
    title: 'Volts',
    kind: 'volts',
    control: 'voltControl',
    wrong: ['voltMark', 'volts'],
    tungsten: false,
  },
  {
    part: 'amp',
    title: 'Amps',
    kind: 'amps',
    control: 'ampControl',
    wrong: ['ampMark', 'amps'],
    tungsten: true,
  },
] as const;

/** Wire and volts, or a tungsten's amps, each by its mark or as measured. */
export function SettingsUsed(props: {
  machine: Schemas['Machine'];
  tungsten: boolean;
  draft: SettingsDraft;
  change: (part: Partial<SettingsDraft>) => void;
  fields: Record<string, string>;
}) {
  const { machine, draft, change, fields } = props;
  const shown = kinds.filter((one) => one.tungsten === props.tungsten);
  return (
    <div className={css.settingsUsed}>
      {shown.map(({ part, title, kind, control, wrong }) => {
        const there = machine[control];
        return (
          there && (
            <SettingUsed
              key={part}
              title={title}
              control={there}
              kind={kind}
              used={draft[part]}
              onChange={(used) => change({ [part]: used })}
              error={wrong.map((field) => fields[field]).find(Boolean)}
            />
          )
        );
      })}
    </div>
  );
}

const number = (value: number | string) =>
  value === '' || Number.isNaN(Number(value)) ? null : Number(value);

const marked = (used: Used) => (used.by === 'mark' ? number(used.value) : null);
const measured = (used: Used) => (used.by === 'measured' ? number(used.value) : null);

/** The settings as the server takes them; numbers without a unit of their own are in the reader's. */
export function toSettings({ wire, volt, amp }: SettingsDraft, tungsten: boolean, mine: System) {
  const feed = measured(wire);
  return {
    wireMark: tungsten ? null : marked(wire),
    voltMark: tungsten ? null : marked(volt),
    ampMark: tungsten ? marked(amp) : null,
    wireFeedMPerMin: tungsten || feed === null ? null : feed / inUnits(wire.units ?? mine).per('wireFeed'),
    volts: tungsten ? null : measured(volt),
    amps: tungsten ? measured(amp) : null,
  };
}

/** What a recorded bead was laid with, to be put right. */
export function fromBead(bead: Schemas['Bead'], mine: System): SettingsDraft {
  const used = (mark: number | null | undefined, value: number | undefined, units?: System): Used =>
    mark === null || mark === undefined
      ? { by: 'measured', value: value ?? '', units }
      : { by: 'mark', value: mark };
  const feed = bead.used?.wireFeedMPerMin;
  const inMine = feed === undefined ? undefined : Number(inUnits(mine).number('wireFeed', feed));
  return {
    wire: used(bead.wireMark, inMine, mine),
    volt: used(bead.voltMark, bead.used?.volts),
    amp: used(bead.ampMark, bead.amps ?? undefined),
  };
}
