import { Button, Select } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { beadQueries } from '../features/beads/queries';
import { jobLine } from '../features/sheets/JobLine';
import { answer, api, type Schemas } from '../shared/api/client';
import { inRoom } from '../shared/live/changes';
import { asLoading, Loaded } from '../shared/Loaded';
import { offerUndo, tellDone, tellTrouble } from '../shared/notices';
import { Page } from '../shared/page/Page';
import { moment } from '../shared/time';
import { Trouble } from '../shared/Trouble';
import { counted, verdicts } from '../shared/words';
import { useSay } from '../shared/words/useSay';

/** Beads that a booth noted without the network and that could not be recorded any more: each is placed, or put aside. */
export function UnplacedPage() {
  const unplaced = useQuery(beadQueries.unplaced());
  return (
    <Page title="Beads to place">
      <div className="stack">
        <p>
          A booth noted these without the network. When it was back their session or their booth had changed.
          They are kept with their pictures and sound until somebody says where they belong.
        </p>
        <Loaded of={asLoading(unplaced)} what="the beads to place">
          {(beads) =>
            beads.length === 0 ? (
              <p className="panel empty">Every bead has its place.</p>
            ) : (
              <div className="stack">
                {beads.map((bead) => (
                  <ToPlace key={bead.id} bead={bead} />
                ))}
              </div>
            )
          }
        </Loaded>
      </div>
    </Page>
  );
}

function ToPlace({ bead }: { bead: Schemas['UnplacedBead'] }) {
  const say = useSay();
  const queries = useQueryClient();
  const [sheet, setSheet] = useState<string | null>(bead.places[0]?.id ?? null);
  const settled = () => queries.invalidateQueries({ queryKey: inRoom() });
  const place = useMutation({
    mutationFn: (sheetId: string) =>
      answer(
        api.PUT('/api/beads/unplaced/{id}/placed', { params: { path: { id: bead.id } }, body: { sheetId } }),
      ),
    onSuccess: async ({ number }) => {
      tellDone(`It is bead ${number} on that sheet.`);
      await settled();
    },
  });
  const aside = useMutation({
    mutationFn: (aside: boolean) =>
      answer(
        api.PUT('/api/beads/unplaced/{id}/aside', { params: { path: { id: bead.id } }, body: { aside } }),
      ),
    onSuccess: async (_, gone) => {
      if (gone) offerUndo(bead.id, 'The bead is put aside.', () => aside.mutate(false));
      await settled();
    },
    onError: tellTrouble,
  });
  return (
    <section className="panel stack" aria-label={`Bead of ${bead.student.name}`}>
      <h2>
        {bead.student.name} <span className="quiet">{moment(bead.notedAt)}</span>
      </h2>
      <p>
        {bead.own && <>They say: {verdicts[bead.own.verdict]}. </>}
        {bead.files > 0 && <>{counted(bead.files, 'picture or recording', 'pictures or recordings')}. </>}
        {bead.why.map((problem) => say(problem.said)).join(' ')}
      </p>
      <Select
        label="It was laid to"
        placeholder="No sheet of theirs is here"
        allowDeselect={false}
        data={bead.places.map((one) => ({
          value: one.id,
          label: `${jobLine(one.job)}, booth ${one.booth}, ${moment(one.assignedAt)}`,
        }))}
        value={sheet}
        onChange={setSheet}
      />
      {place.isError && <Trouble error={place.error} />}
      <div className="row">
        <Button
          size="lg"
          disabled={sheet === null}
          loading={place.isPending}
          onClick={() => sheet && place.mutate(sheet)}
        >
          Place it there
        </Button>
        <Button variant="default" size="lg" loading={aside.isPending} onClick={() => aside.mutate(true)}>
          Put it aside
        </Button>
      </div>
    </section>
  );
}
