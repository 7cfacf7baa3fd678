import { Button, Textarea } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { floorQueries } from '../features/floor/queries';
import { Attendance } from '../features/sessions/Attendance';
import { sessionQueries } from '../features/sessions/queries';
import { answer, api, type Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { day, moment } from '../shared/time';
import { tellDone } from '../shared/notices';
import { Trouble } from '../shared/Trouble';
import { useEntry } from '../shared/useEntry';
import { useSay } from '../shared/words/useSay';
import css from './checks.module.css';

/** Lights out: the room's checks, what is still open at the booths, who came, and a last word. */
export function CloseDownPage() {
  const { sessionId = '' } = useParams();
  const session = useQuery(sessionQueries.one(sessionId));
  const close = useQuery(floorQueries.close(sessionId));
  return (
    <Loaded of={asLoading(session)} what="the session">
      {(data) => (
        <Page
          title="Close down"
          under={`${data.title}, ${day(data.heldOn)}, ${data.roomName}`}
          back={{ to: '/', label: 'Back to today' }}
        >
          <Loaded of={asLoading(close)} what="the close-down list">
            {(view) => (
              <div className="stack">
                {view.closed && <ClosedAlready closed={view.closed} checks={view.checks} />}
                <div className={css.checksColumns}>
                  <Closing key={view.closed?.at} sessionId={sessionId} view={view} />
                  <AtBooths booths={view.booths} />
                </div>
                <Attendance sessionId={sessionId} />
                <p className="quiet">
                  Local codes, the site’s rules and a licensed or certified person take precedence over these
                  lists.
                </p>
              </div>
            )}
          </Loaded>
        </Page>
      )}
    </Loaded>
  );
}

function ClosedAlready({ closed, checks }: { closed: Schemas['Closed']; checks: Schemas['RoomCheck'][] }) {
  const say = useSay();
  const open = checks.filter(({ key }) => !closed.ticked.includes(key));
  return (
    <section className="panel stack" aria-label="Closed down">
      <p role="status">
        Closed down by {closed.by}, {moment(closed.at)}. Fire watch until {moment(closed.fireWatchUntil)}.
      </p>
      {closed.note && <p>{closed.note}</p>}
      {open.length > 0 && <p className="quiet">Left open: {open.map(({ text }) => say(text)).join(' ')}</p>}
    </section>
  );
}

function Closing({ sessionId, view }: { sessionId: string; view: Schemas['CloseDownView'] }) {
  const say = useSay();
  const { form, pending, submit, trouble } = useEntry(
    { ticked: view.closed?.ticked ?? [], note: view.closed?.note ?? '' },
    (body, closeId) =>
      answer(
        api.PUT('/api/sessions/{id}/close/{closeId}', { params: { path: { id: sessionId, closeId } }, body }),
      ),
    () => tellDone('The session is closed down.'),
  );
  const { ticked } = form.values;
  // From what stands when it is drawn next: two quick taps are two ticks.
  const tick = (key: string) =>
    form.setFieldValue('ticked', (before: string[]) =>
      before.includes(key) ? before.filter((one) => one !== key) : [...before, key],
    );
  return (
    <form className={`panel stack ${css.checks}`} aria-label="Close the room down" onSubmit={submit}>
      <h2>
        The room{' '}
        <span className="quiet">
          {ticked.length} of {view.checks.length}
        </span>
      </h2>
      <ul>
        {view.checks.map(({ key, text, safety }) => (
          <li key={key}>
            <button
              type="button"
              role="checkbox"
              aria-checked={ticked.includes(key)}
              className={safety ? css.grave : ''}
              onClick={() => tick(key)}
            >
              <span className={css.tick} aria-hidden="true">
                {ticked.includes(key) ? '✓' : ''}
              </span>
              {say(text)}
            </button>
          </li>
        ))}
      </ul>
      <Textarea
        label="Anything else"
        description="What stays open and why; what was hurt or broken."
        autosize
        minRows={2}
        {...form.getInputProps('note')}
      />
      {trouble && <Trouble error={trouble} />}
      <div className="row">
        <Button type="submit" size="lg" loading={pending}>
          {view.closed ? 'Close it down anew' : 'Close down'}
        </Button>
      </div>
    </form>
  );
}

function AtBooths({ booths }: { booths: Schemas['BoothAtClose'][] }) {
  const say = useSay();
  return (
    <section className="panel stack" aria-label="At the booths">
      <h2>At the booths</h2>
      {booths.length === 0 && <p className="quiet">No machine stands in this room.</p>}
      {booths.map(({ boothId, number, open }) => (
        <details key={boothId} className={css.open}>
          <summary>
            Booth {number}: {open.length === 0 ? 'all done' : `${open.length} still to do`}
          </summary>
          <ul>
            {open.map((check, i) => (
              <li key={i}>{say(check)}</li>
            ))}
          </ul>
          <Link to={`/booths/${boothId}/checks`}>To its lists</Link>
        </details>
      ))}
    </section>
  );
}
