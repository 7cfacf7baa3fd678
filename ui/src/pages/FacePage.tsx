import { Button, NumberInput } from '@mantine/core';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { inRoom } from '../shared/live/changes';
import { asLoading, Loaded } from '../shared/Loaded';
import { newId } from '../shared/newId';
import { Page } from '../shared/page/Page';
import { useTypedUnits } from '../shared/units';
import { Line, Says } from '../shared/words/useSay';
import { useBeadFile } from '../features/beads/useBeads';
import css from '../features/looking/face.module.css';
import { FaceMeasures } from '../features/looking/FaceMeasures';
import { FacePicture } from '../features/looking/FacePicture';
import { eyeQueries, type FaceRequest } from '../features/looking/queries';
import { type Face, type Tool, useFace } from '../features/looking/useFace';

/** A bead's face measured on its picture: the eye proposes, a person corrects, and it becomes evidence. */
export function FacePage() {
  const { beadId = '', pictureId = '' } = useParams();
  const file = useBeadFile(beadId);
  const kept = useQuery(eyeQueries.standing(pictureId));
  return (
    <Loaded of={asLoading(file)} what="this picture">
      {({ bead, pictures }) => {
        const picture = pictures.find((one) => one.id === pictureId);
        return picture ? (
          <Loaded of={asLoading(kept)} what="what was kept of it">
            {(standing) => <Measured key={picture.id} picture={picture} bead={bead} kept={standing} />}
          </Loaded>
        ) : (
          <Page title="Face" back={{ to: `/beads/${beadId}`, label: 'Back to the bead' }}>
            <div className="panel empty">
              <p>This picture was withdrawn.</p>
            </div>
          </Page>
        );
      }}
    </Loaded>
  );
}

function Measured(props: {
  picture: Schemas['Picture'];
  bead: Schemas['Bead'];
  kept: Schemas['FaceSeen'] | null;
}) {
  const { picture, bead, kept } = props;
  const face = useFace(kept);
  const looked = useQuery({
    ...eyeQueries.look(picture.id, face.request),
    placeholderData: keepPreviousData,
  });
  const keep = useKeepFace(picture.id, `/beads/${bead.id}`);
  const seen = looked.data?.face ?? undefined;
  const wrong = keep.error ?? looked.error;
  return (
    <Page
      title={`Face of bead ${bead.number}`}
      under="The eye proposes, you look it over: drag a toe where it is wrong. It has met many drawn beads and few real ones."
      back={{ to: `/beads/${bead.id}`, label: 'Back to the bead' }}
    >
      <div className={css.page}>
        <FacePicture picture={picture} seen={seen} face={face} />
        <div className="stack">
          <Tools face={face} noCard={looked.data?.trouble === 'noCard'} />
          <section className="panel stack" aria-label="Measured" aria-busy={looked.isFetching}>
            <div className={css.head}>
              <h2>Measured</h2>
              <Button
                size="lg"
                disabled={!seen || looked.isFetching}
                loading={keep.isPending}
                onClick={() => keep.mutate(face.request)}
              >
                Keep and judge anew
              </Button>
            </div>
            {looked.data?.do && (
              <p role="status">
                <b>
                  <Says said={looked.data.do} />
                </b>
              </p>
            )}
            {seen && <FaceMeasures seen={seen} />}
            {looked.isFetching && <p className="quiet">Looking …</p>}
            {wrong && (
              <p className="field-error" role="alert">
                <Line error={wrong} otherwise="Something went wrong on this page." />
              </p>
            )}
            <p className="quiet">
              A picture does not show penetration, unfused toes under a lap, or cracks finer than a pixel.
            </p>
          </section>
        </div>
      </div>
    </Page>
  );
}

const tools: [Tool, string, string][] = [
  ['toes', 'Toes', 'Drag a point; arrow keys move the one in focus'],
  ['ends', 'Point at the bead', 'Tap its start, then its end'],
  ['scale', 'Known length', 'Without a card: tap both ends of something you know'],
];

function Tools({ face, noCard }: { face: Face; noCard: boolean }) {
  const [typed, setTyped] = useState<number | string | null>(null);
  const { per, unit } = useTypedUnits(typed !== null);
  return (
    <section className="panel stack" aria-label="Correct">
      <div className={css.tools}>
        {tools.map(([tool, title]) => (
          <Button
            key={tool}
            variant={face.tool === tool ? 'filled' : 'default'}
            aria-pressed={face.tool === tool}
            onClick={() => face.setTool(tool)}
          >
            {title}
          </Button>
        ))}
      </div>
      <p className="quiet">{tools.find(([tool]) => tool === face.tool)?.[2]}</p>
      {(noCard || face.tool === 'scale' || face.scale.length > 0) && (
        <NumberInput
          label="The known length is"
          suffix={` ${unit('length')}`}
          min={0}
          value={typed ?? Number((face.scaleMm * per('length')).toFixed(4))}
          onChange={(next) => {
            setTyped(next);
            face.setScaleMm(Number(next) / per('length'));
          }}
        />
      )}
      <div className="row">
        <Button variant="default" disabled={face.undo === undefined} onClick={face.undo}>
          Undo
        </Button>
        <Button variant="default" disabled={!face.corrected} onClick={face.anew}>
          Look anew
        </Button>
      </div>
    </section>
  );
}

function useKeepFace(pictureId: string, back: string) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [readingId] = useState(newId);
  return useMutation({
    mutationFn: (body: FaceRequest) =>
      answer(
        api.PUT('/api/pictures/{pictureId}/face/{readingId}', {
          params: { path: { pictureId, readingId } },
          body,
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: inRoom() });
      await navigate(back);
    },
  });
}
