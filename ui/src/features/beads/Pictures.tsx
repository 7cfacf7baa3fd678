import { Button, Modal } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { useUnits } from '../../shared/units';
import { sendFile } from '../../shared/sendFile';
import { useIds } from '../../shared/useIds';
import { Line, useSay } from '../../shared/words/useSay';
import { beadQueries } from './queries';
import css from './pictures.module.css';
import { LoadTrouble } from '../../shared/Loaded';

type Side = Schemas['PictureSide'];

const sides: Record<Side, string> = { face: 'Face', back: 'Back', macro: 'Section' };

/** A bead's pictures, from camera or file; a section can be measured. */
export function Pictures(props: { file: Schemas['BeadFile']; metal: Schemas['Metal']; mayWrite: boolean }) {
  const { bead, pictures } = props.file;
  const queries = useQueryClient();
  const { show } = useUnits();
  const [guide, setGuide] = useState(false);
  const [large, setLarge] = useState<Schemas['Picture']>();
  const { idOf, taken } = useIds();
  const add = useMutation({
    mutationFn: ({ side, file }: { side: Side; file: File }) =>
      sendFile(
        `/api/beads/${bead.id}/pictures/${side}/${idOf([side, file.name, file.size, file.lastModified])}`,
        file,
        'picture',
      ),
    onSuccess: () => {
      taken();
      return queries.invalidateQueries({ queryKey: ['room'] });
    },
  });
  const withdraw = useMutation({
    mutationFn: ({ picture, withdrawn }: { picture: Schemas['Picture']; withdrawn: boolean }) =>
      answer(
        api.PUT('/api/pictures/{pictureId}/withdrawn', {
          params: { path: { pictureId: picture.id } },
          body: { withdrawn },
        }),
      ),
    onSuccess: async (_, { picture, withdrawn }) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      if (withdrawn) {
        offerUndo(picture.id, 'The picture is withdrawn.', () =>
          withdraw.mutate({ picture, withdrawn: false }),
        );
      }
    },
    onError: tellTrouble,
  });
  return (
    <div className="stack">
      <h3>Pictures</h3>
      {pictures.length > 0 && (
        <ul className={css.pictures}>
          {pictures.map((picture) => (
            <li key={picture.id}>
              <button
                type="button"
                className={css.picture}
                onClick={() => setLarge(picture)}
                aria-label={`${sides[picture.side]}, large`}
              >
                <img src={`/api/pictures/${picture.id}`} alt={sides[picture.side]} loading="lazy" />
              </button>
              <span>
                <b>{sides[picture.side]}</b>
                {picture.measures && (
                  <span className="quiet">
                    {' '}
                    {picture.measures.lowerLegMm != null &&
                      `legs ${show('length', picture.measures.lowerLegMm)}, ${show('length', picture.measures.upperLegMm ?? 0)}; `}
                    {picture.measures.rootPenetrationMm != null &&
                      `root ${show('length', picture.measures.rootPenetrationMm)}`}
                  </span>
                )}
              </span>
              {props.mayWrite && (
                <span className="row">
                  {picture.side === 'macro' && (
                    <Button component={Link} to={`/beads/${bead.id}/macro/${picture.id}`} variant="default">
                      {picture.marks ? 'Measure again' : 'Measure it'}
                    </Button>
                  )}
                  <Button variant="default" onClick={() => withdraw.mutate({ picture, withdrawn: true })}>
                    Withdraw
                  </Button>
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
      {props.mayWrite && (
        <>
          <div className="row">
            {(Object.keys(sides) as Side[]).map((side) => (
              <AddPicture
                key={side}
                side={side}
                busy={add.isPending && add.variables.side === side}
                onFile={(file) => add.mutate({ side, file })}
              />
            ))}
            <Button variant="default" onClick={() => setGuide(true)}>
              How to cut and etch
            </Button>
          </div>
          {add.isError && (
            <p className="field-error" role="alert">
              <Line error={add.error} otherwise="The picture was not saved." />
            </p>
          )}
        </>
      )}
      <Modal
        opened={large !== undefined}
        onClose={() => setLarge(undefined)}
        size="xl"
        title={large ? `${sides[large.side]} of bead ${bead.number}` : ''}
      >
        {large && (
          <img className={css.largePicture} src={`/api/pictures/${large.id}`} alt={sides[large.side]} />
        )}
      </Modal>
      <Modal opened={guide} onClose={() => setGuide(false)} size="lg" title="How to cut, polish and etch">
        <SectionGuide
          metal={props.metal}
          thin={(props.file.body ?? props.file.sheet.body).job.thickness.valueMm <= 5}
        />
      </Modal>
    </div>
  );
}

function AddPicture(props: { side: Side; busy: boolean; onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant="default" loading={props.busy} onClick={() => input.current?.click()}>
        + {sides[props.side]}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={`Picture of the ${sides[props.side].toLowerCase()}`}
        className={`picture-file of-${props.side}`}
        accept="image/png,image/jpeg,image/webp"
        capture="environment"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          if (file) props.onFile(file);
          // The same file can be picked again.
          event.currentTarget.value = '';
        }}
      />
    </>
  );
}

function SectionGuide(props: { metal: Schemas['Metal']; thin: boolean }) {
  const say = useSay();
  const { metal } = props;
  const steps = useQuery(beadQueries.sectionHelp(metal, props.thin));
  const [done, setDone] = useState<number[]>([]);
  return (
    <>
      <LoadTrouble of={steps} what="how to cut and etch" />
      <ol className={css.sectionGuide}>
        {(steps.data ?? []).map((step, i) => (
          <li key={say(step.do)}>
            <label>
              <input
                type="checkbox"
                checked={done.includes(i)}
                onChange={() =>
                  setDone((before) =>
                    before.includes(i) ? before.filter((other) => other !== i) : [...before, i],
                  )
                }
              />
              <span>
                {say(step.do)}
                {step.care && <span className={css.care}>{say(step.care)}</span>}
              </span>
            </label>
          </li>
        ))}
      </ol>
      <p className="quiet">
        The etchant’s data sheet, the machine’s manual, the shop’s rules and a qualified person take
        precedence over this.
      </p>
    </>
  );
}
