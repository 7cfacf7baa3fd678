import { Button } from '@mantine/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { Page } from '../shared/page/Page';
import { Line, Says } from '../shared/words/useSay';
import css from '../features/looking/face.module.css';
import { FaceMeasures } from '../features/looking/FaceMeasures';
import { FacePicture } from '../features/looking/FacePicture';
import { KnownLength } from '../features/looking/KnownLength';
import { eyeQueries, type FaceRequest } from '../features/looking/queries';
import { type Face, type Tool, useFace } from '../features/looking/useFace';
import { type PictureKept, PictureFrame, useKeepMeasured } from './PictureFrame';

/** A bead's face measured on its picture: the eye proposes, a person corrects, and it becomes evidence. */
export function FacePage() {
  const { pictureId = '' } = useParams();
  const kept = useQuery(eyeQueries.standing(pictureId));
  return (
    <PictureFrame title="Face" kept={kept}>
      {(all) => <Measured key={all.picture.id} {...all} />}
    </PictureFrame>
  );
}

function Measured(props: PictureKept<Schemas['FaceSeen'] | null>) {
  const { picture, bead, kept } = props;
  const face = useFace(kept);
  const looked = useQuery({
    ...eyeQueries.look(picture.id, face.request),
    placeholderData: keepPreviousData,
  });
  const keep = useKeepMeasured(bead.id, (readingId, body: FaceRequest) =>
    answer(
      api.PUT('/api/pictures/{pictureId}/face/{readingId}', {
        params: { path: { pictureId: picture.id, readingId } },
        body,
      }),
    ),
  );
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
        <KnownLength mm={face.scaleMm} onChange={face.setScaleMm} />
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
