import { Button } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { Page } from '../shared/page/Page';
import { Line, Says } from '../shared/words/useSay';
import { BackMeasures } from '../features/looking/BackMeasures';
import { BackPicture } from '../features/looking/BackPicture';
import css from '../features/looking/face.module.css';
import { KnownLength } from '../features/looking/KnownLength';
import { type BackRequest, eyeQueries } from '../features/looking/queries';
import { type Back, type BackTool, useBack } from '../features/looking/useBack';
import { type PictureKept, PictureFrame, useKeepMeasured } from './PictureFrame';

// Keys move an end step by step: what is asked waits for the last of them.
const settleMs = 300;

/** What shows behind a bead, measured on a picture of the back: a mark, tint, holes; it becomes evidence. */
export function BackPage() {
  const { pictureId = '' } = useParams();
  const kept = useQuery(eyeQueries.standingBack(pictureId));
  return (
    <PictureFrame title="Back" kept={kept}>
      {(all) => <Measured key={all.picture.id} {...all} />}
    </PictureFrame>
  );
}

function Measured(props: PictureKept<Schemas['BackSeen'] | null>) {
  const { picture, bead, kept } = props;
  const back = useBack();
  const [request] = useDebouncedValue(back.request, settleMs);
  const looked = useQuery({
    ...eyeQueries.lookBehind(picture.id, request),
    placeholderData: keepPreviousData,
  });
  const keep = useKeepMeasured(bead.id, (readingId, body: BackRequest) =>
    answer(
      api.PUT('/api/pictures/{pictureId}/back/{readingId}', {
        params: { path: { pictureId: picture.id, readingId } },
        body,
      }),
    ),
  );
  const asked = back.request !== undefined;
  const waits = looked.isFetching || request !== back.request;
  const seen = asked ? (looked.data?.back ?? undefined) : (kept ?? undefined);
  const wrong = keep.error ?? looked.error;
  return (
    <Page
      title={`Back of bead ${bead.number}`}
      under="Say where the bead lies on the other side; the eye says what shows behind it. What you note yourself leads."
      back={{ to: `/beads/${bead.id}`, label: 'Back to the bead' }}
    >
      <div className={css.page}>
        <BackPicture picture={picture} seen={seen} back={back} />
        <div className="stack">
          <Tools picture={picture} back={back} noCard={asked && looked.data?.trouble === 'noCard'} />
          <section className="panel stack" aria-label="Measured" aria-busy={waits}>
            <div className={css.head}>
              <h2>Measured</h2>
              <Button
                size="lg"
                disabled={!asked || !seen || waits}
                loading={keep.isPending}
                onClick={() => back.request && keep.mutate(back.request)}
              >
                Keep and judge anew
              </Button>
            </div>
            {asked && looked.data?.do && (
              <p role="status">
                <b>
                  <Says said={looked.data.do} />
                </b>
              </p>
            )}
            {seen ? (
              <BackMeasures seen={seen} />
            ) : (
              !asked && <p>Tap where the bead begins and where it ends.</p>
            )}
            {asked && waits && <p className="quiet">Looking …</p>}
            {wrong && (
              <p className="field-error" role="alert">
                <Line error={wrong} otherwise="Something went wrong on this page." />
              </p>
            )}
            <p className="quiet">Only a cut and etched section proves fusion at the root.</p>
          </section>
        </div>
      </div>
    </Page>
  );
}

const tools: [BackTool, string, string][] = [
  [
    'ends',
    'Point at the bead',
    'Tap its start, then its end; drag them, or move the one in focus by arrow keys. Tap a square that is no hole.',
  ],
  ['scale', 'Known length', 'Without a card: tap both ends of something you know'],
];

function Tools(props: { picture: Schemas['Picture']; back: Back; noCard: boolean }) {
  const { picture, back, noCard } = props;
  const middle = (share: number) => ({ x: picture.width * share, y: picture.height / 2 });
  return (
    <section className="panel stack" aria-label="Point">
      <div className={css.tools}>
        {tools.map(([tool, title]) => (
          <Button
            key={tool}
            variant={back.tool === tool ? 'filled' : 'default'}
            aria-pressed={back.tool === tool}
            onClick={() => back.setTool(tool)}
          >
            {title}
          </Button>
        ))}
      </div>
      <p className="quiet">{tools.find(([tool]) => tool === back.tool)?.[2]}</p>
      {(noCard || back.tool === 'scale' || back.scale.length > 0) && (
        <KnownLength mm={back.scaleMm} onChange={back.setScaleMm} />
      )}
      <div className="row">
        <Button variant="default" disabled={back.undo === undefined} onClick={back.undo}>
          Undo
        </Button>
        {back.ends.length < 2 && (
          <Button variant="default" onClick={() => back.begin([middle(0.25), middle(0.75)])}>
            Put both in the middle
          </Button>
        )}
      </div>
    </section>
  );
}
