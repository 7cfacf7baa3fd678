import { Button, Modal } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { useUnits } from '../../shared/units';
import { useUpload } from '../../shared/useUpload';
import { AddPicture } from './AddPicture';
import css from './pictures.module.css';
import { SectionGuide } from './SectionGuide';
import { sides } from './sides';

type Side = Schemas['PictureSide'];

// The picture of the face that was taken before another: as before and after brushing.
const before = (pictures: Schemas['Picture'][], picture: Schemas['Picture']) =>
  picture.side === 'face'
    ? pictures.slice(0, pictures.indexOf(picture)).findLast(({ side }) => side === 'face')
    : undefined;

/** A bead's pictures, from camera or file; a section can be measured. */
export function Pictures(props: { file: Schemas['BeadFile']; metal: Schemas['Metal']; mayWrite: boolean }) {
  const { bead, pictures } = props.file;
  const queries = useQueryClient();
  const { show } = useUnits();
  const [guide, setGuide] = useState(false);
  const [large, setLarge] = useState<Schemas['Picture']>();
  const { send, pending, state } = useUpload('picture');
  const [adding, setAdding] = useState<Side>();
  const add = (side: Side, file: File) => {
    setAdding(side);
    send({ to: (id) => `/api/beads/${bead.id}/pictures/${side}/${id}`, same: [side, file.name], file });
  };
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
                  {picture.side !== 'macro' && (
                    <Button
                      component={Link}
                      to={`/beads/${bead.id}/${picture.side}/${picture.id}`}
                      variant="default"
                    >
                      Measure it
                    </Button>
                  )}
                  {before(pictures, picture) && (
                    <Button
                      component={Link}
                      to={`/beads/${bead.id}/face/${before(pictures, picture)?.id}/beside/${picture.id}`}
                      variant="default"
                    >
                      Beside the one before
                    </Button>
                  )}
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
                busy={pending && adding === side}
                onFile={(file) => add(side, file)}
              />
            ))}
            <Button component={Link} to={`/beads/${bead.id}/camera`} variant="default">
              Camera with the card
            </Button>
            <Button component="a" href="/api/eye/cards.pdf" target="_blank" variant="default">
              Print the card
            </Button>
            <Button variant="default" onClick={() => setGuide(true)}>
              How to cut and etch
            </Button>
          </div>
          {state}
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
