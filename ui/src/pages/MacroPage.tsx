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
import { Line } from '../shared/words/useSay';
import css from '../features/looking/section.module.css';
import { MarkedSection } from '../features/looking/MarkedSection';
import {
  around,
  type Marks,
  modes,
  none,
  order,
  type Point,
  toMarks,
} from '../features/looking/sectionMarks';
import { SectionMeasures } from '../features/looking/SectionMeasures';
import { useBeadFile } from '../features/beads/useBeads';
import { type Marking, useMarking } from '../features/looking/useMarking';
import { ProposalPanel } from '../features/looking/ProposalPanel';
import { useProposal } from '../features/looking/useProposal';

/** Measures a section on its picture: the scale once, then root, toes, face and fusion line. */
export function MacroPage() {
  const { beadId = '', pictureId = '' } = useParams();
  const file = useBeadFile(beadId);
  return (
    <Loaded of={asLoading(file)} what="this picture">
      {({ bead, pictures }) => {
        const picture = pictures.find((one) => one.id === pictureId);
        return picture ? (
          <Section key={picture.id} picture={picture} bead={bead} />
        ) : (
          <Page title="Section" back={{ to: `/beads/${beadId}`, label: 'Back to the bead' }}>
            <div className="panel empty">
              <p>This picture was withdrawn.</p>
            </div>
          </Page>
        );
      }}
    </Loaded>
  );
}

// What a card's scale is drawn as.
const cardScaleMm = 10;
const noEdges: Point[][] = [];

function Section({ picture, bead }: { picture: Schemas['Picture']; bead: Schemas['Bead'] }) {
  const marking = useMarking(picture);
  const [typed, setTyped] = useState<number | string | null>(null);
  const { per, unit } = useTypedUnits(typed !== null);
  const scaleMm = picture.marks?.scaleLengthMm ?? 10;
  // A length nobody touched is sent as it is, not as its rounded text.
  const lengthMm = typed === null ? scaleMm : Number(typed) / per('length');
  const sent = toMarks(marking.marks, marking.marks.plane ? cardScaleMm : lengthMm);
  const measured = useMeasured(picture.id, sent, marking.held !== undefined);
  const keep = useKeepMarks(picture.id);
  const proposal = useProposal(picture.id);
  // What was proposed or kept is looked at from near; where it lies is not to move while a mark is dragged.
  const [near, setNear] = useState<Marks | null>(picture.marks ? marking.marks : null);
  const [onEdges, setOnEdges] = useState(true);
  const wrong = keep.error ?? measured.error;
  return (
    <Page
      title={`Section of bead ${bead.number}`}
      under="Mark what you see; N and P choose the next or the one before, arrows move the last point, Ctrl Z takes it back"
      back={{ to: `/beads/${bead.id}`, label: 'Back to the bead' }}
    >
      <div className={css.macroPage}>
        <div className="stack">
          <MarkedSection
            picture={picture}
            marking={marking}
            edges={onEdges ? proposal.edges : noEdges}
            view={around(near ?? none, picture)}
          />
          <div className="row">
            <Button variant="default" onClick={() => setNear(near ? null : marking.marks)}>
              {near ? 'The whole picture' : 'Nearer to the marks'}
            </Button>
          </div>
        </div>
        <div className="stack">
          <ProposalPanel
            proposal={proposal}
            onEdges={onEdges}
            setOnEdges={setOnEdges}
            onAsk={() =>
              proposal.ask(marking.marks, lengthMm, (proposed) => {
                marking.take(proposed);
                setNear(proposed);
              })
            }
          />
          <Modes marking={marking}>
            {marking.marks.plane ? (
              <p className="quiet">The card is the scale, and how slantingly it was taken is undone by it.</p>
            ) : (
              <NumberInput
                label="The scale is this long"
                suffix={` ${unit('length')}`}
                value={typed ?? Number((scaleMm * per('length')).toFixed(4))}
                onChange={setTyped}
              />
            )}
          </Modes>
          <section className="panel stack" aria-label="Measured">
            <h2>Measured</h2>
            <SectionMeasures
              measures={sent ? measured.data : undefined}
              marks={marking.marks}
              seen={proposal.seen?.measures}
            />
            {wrong && (
              <p className="field-error" role="alert">
                <Line error={wrong} otherwise="Something went wrong on this page." />
              </p>
            )}
            <Button
              size="lg"
              disabled={sent === null}
              loading={keep.isPending}
              onClick={() => sent && keep.mutate(sent)}
            >
              Keep and judge anew
            </Button>
          </section>
        </div>
      </div>
    </Page>
  );
}

function Modes({ marking, children }: { marking: Marking; children: React.ReactNode }) {
  const { marks, mode } = marking;
  return (
    <section className={`panel ${css.macroModes}`} aria-label="Mark">
      {order.map((one, i) => (
        <button key={one} type="button" aria-pressed={mode === one} onClick={() => marking.setMode(one)}>
          <span>
            {i + 1}. {modes[one].title} <span className="quiet">{modes[one].hint}</span>
          </span>
          <span>{marks[one].length > 0 ? marks[one].length : ''}</span>
        </button>
      ))}
      {children}
      <div className="row">
        <Button variant="default" disabled={marking.undo === undefined} onClick={marking.undo}>
          Undo
        </Button>
        <Button variant="default" disabled={marks[mode].length === 0} onClick={marking.clear}>
          Clear {modes[mode].title.toLowerCase()}
        </Button>
      </div>
    </section>
  );
}

function useMeasured(pictureId: string, sent: Schemas['MacroMarks'] | null, moving: boolean) {
  return useQuery({
    queryKey: ['measure', pictureId, sent],
    queryFn: ({ signal }) =>
      answer(
        api.POST('/api/pictures/{pictureId}/measure', {
          params: { path: { pictureId } },
          body: sent as Schemas['MacroMarks'],
          signal,
        }),
      ),
    enabled: sent !== null && !moving,
    retry: false,
    placeholderData: keepPreviousData,
  });
}

function useKeepMarks(pictureId: string) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [marksId] = useState(newId);
  return useMutation({
    mutationFn: (body: Schemas['MacroMarks']) =>
      answer(
        api.PUT('/api/pictures/{pictureId}/marks/{marksId}', {
          params: { path: { pictureId, marksId } },
          body,
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: inRoom() });
      await navigate(-1);
    },
  });
}
