import type { Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { evidence as groups, strengths } from '../../shared/words';
import css from './evidenceGroup.module.css';
import { EvidencePicture } from './EvidencePicture';
import type { EvidenceDraft, Noted, Seen } from './evidenceDraft';

/** What can be said more or less strongly, with the answer that needs no strength. */
const graded: Partial<Record<Seen, string>> = {
  sound: 'evenCrackle',
  feel: 'steady',
  profile: 'slightlyConvex',
  toes: 'blended',
  tint: 'even',
  spatter: 'little',
  ripple: 'even',
};

/** One thing that can be seen or heard: its answers, and beside its name how strongly, in a place kept free for it. */
export function EvidenceGroup(props: {
  of: Seen;
  words: Record<string, string>;
  draft: EvidenceDraft;
  change: (part: Partial<EvidenceDraft>) => void;
}) {
  const { of, draft, change } = props;
  const value = draft.seen[of] ?? null;
  const noted = of as Noted;
  const gradedHere = value !== null && value !== graded[of];
  return (
    <div className={of in graded ? `${css.group} ${css.graded}` : css.group}>
      <Choice<string>
        title={groups[of].title}
        words={props.words}
        value={value}
        onChange={(answer) =>
          change({
            seen: { ...draft.seen, [of]: answer },
            strengths: Object.fromEntries(
              Object.entries(draft.strengths).filter(([other]) => other !== noted),
            ),
          })
        }
        optional
        picture={(answer) => <EvidencePicture of={of} value={answer} />}
      />
      {of in graded && gradedHere && (
        <Choice<Schemas['Strength']>
          title={`How strongly: ${groups[of].title}`}
          className={css.strengths}
          words={strengths}
          value={draft.strengths[noted] ?? 'plain'}
          onChange={(grade) => grade && change({ strengths: { ...draft.strengths, [noted]: grade } })}
        />
      )}
    </div>
  );
}
