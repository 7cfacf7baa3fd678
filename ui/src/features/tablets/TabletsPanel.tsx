import { Button, Select } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { newId } from '../../shared/newId';
import { tellTrouble } from '../../shared/notices';
import { moment } from '../../shared/time';
import { QrCode } from '../network/QrCode';
import { roomQueries } from '../rooms/queries';
import { tabletQueries } from './queries';
import css from './tablets.module.css';

/** The booths' tablets: pair another, see which are there, put one away. */
export function TabletsPanel() {
  const tablets = asLoading(useQuery(tabletQueries.list()));
  return (
    <>
      <PairATablet />
      <section className="panel stack" aria-label="Tablets">
        <h2>Tablets of booths</h2>
        <Loaded of={tablets} what="the tablets">
          {(all) =>
            all.length === 0 ? (
              <p className="quiet">No booth has a tablet yet.</p>
            ) : (
              <ul className="plain-list">
                {all.map((tablet) => (
                  <Tablet key={tablet.id} tablet={tablet} />
                ))}
              </ul>
            )
          }
        </Loaded>
      </section>
    </>
  );
}

function Tablet({ tablet }: { tablet: Schemas['PairedTablet'] }) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState(false);
  const putAway = useMutation({
    mutationFn: () => answer(api.PUT('/api/tablets/{id}/put-away', { params: { path: { id: tablet.id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: tabletQueries.list().queryKey }),
    onError: tellTrouble,
  });
  return (
    <li className={css.tablet}>
      <div>
        <b>{tablet.name}</b>, {tablet.room}, booth {tablet.booth}
        <div className="quiet">
          {tablet.student ? `${tablet.student.name} stands there. ` : ''}Last heard of {moment(tablet.seenAt)}
          ; paired by {tablet.pairedBy}, {moment(tablet.pairedAt)}
        </div>
      </div>
      {asked ? (
        <div className="row">
          <Button loading={putAway.isPending} onClick={() => putAway.mutate()}>
            Put it away: it opens nothing any more
          </Button>
          <Button variant="default" onClick={() => setAsked(false)}>
            Keep it
          </Button>
        </div>
      ) : (
        <Button variant="default" aria-label={`Put away ${tablet.name}`} onClick={() => setAsked(true)}>
          Put away
        </Button>
      )}
    </li>
  );
}

function PairATablet() {
  const rooms = useQuery(roomQueries.list());
  const [roomId, setRoomId] = useState<string | null>(null);
  const room = roomId ?? rooms.data?.[0]?.id;
  return (
    <section className="panel stack" aria-label="Pair a tablet">
      <h2>Pair a tablet</h2>
      <Loaded of={asLoading(rooms)} what="the rooms">
        {(all) => (
          <>
            {all.length > 1 && (
              <Select
                label="Room"
                allowDeselect={false}
                value={room ?? null}
                data={all.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={setRoomId}
              />
            )}
            {room && <PairIn key={room} roomId={room} />}
          </>
        )}
      </Loaded>
    </section>
  );
}

function PairIn({ roomId }: { roomId: string }) {
  const room = asLoading(useQuery(roomQueries.one(roomId)));
  const make = useMutation({
    mutationFn: (boothId: string) =>
      answer(api.PUT('/api/tablets/codes/{id}', { params: { path: { id: newId() } }, body: { boothId } })),
    onError: tellTrouble,
  });
  return (
    <Loaded of={room} what="the booths">
      {({ booths }) => (
        <>
          {booths.length === 0 && <p className="quiet">This room has no booth yet.</p>}
          <div className="row">
            {booths.map(({ booth }) => (
              <Button
                key={booth.id}
                size="lg"
                variant={make.variables === booth.id ? 'filled' : 'default'}
                onClick={() => make.mutate(booth.id)}
              >
                Booth {booth.number}
              </Button>
            ))}
          </div>
          {make.data && <Code code={make.data} />}
        </>
      )}
    </Loaded>
  );
}

const Code = ({ code }: { code: Schemas['PairingCode'] }) => (
  <div className={css.shown} role="status">
    <QrCode code={code.qr} of="the address that pairs a tablet" />
    <div>
      <p className={css.code}>{code.code}</p>
      <p>Read the code with the tablet’s camera, or open this on it:</p>
      <p>
        <b>{code.address.split('#')[0]}</b>
      </p>
      <p className="quiet">Shown this once, for one tablet, until {moment(code.goodUntil)}.</p>
    </div>
  </div>
);
