import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { dayWithYear } from '../../shared/time';
import { Says } from '../../shared/words/useSay';
import css from './network.module.css';
import { QrCode } from './QrCode';
import { networkQueries } from './queries';

/** How tablets reach this server: what to hang up in the shop. */
export function NetworkPanel() {
  const now = asLoading(useQuery(networkQueries.now()));
  return (
    <section className="panel stack" aria-label="Shop network">
      <h2>Tablets and phones</h2>
      <Loaded of={now} what="how tablets reach this server">
        {({ network }) => (network ? <Reached network={network} /> : <Alone />)}
      </Loaded>
    </section>
  );
}

const Alone = () => (
  <>
    <p>This server does not listen for the shop’s network itself.</p>
    <p className="quiet">
      Whoever runs it stops it and starts it with <code>./start --lan</code>. Then it is reached by TLS, as
      microphone, camera and work without the network need it, and this page says where tablets go.
    </p>
    <p className="quiet">
      Where a proxy of the school’s own stands before it, tablets go to that proxy’s address.
    </p>
  </>
);

function Reached({ network }: { network: Schemas['ShopNetwork'] }) {
  const [first, ...others] = network.addresses;
  return (
    <>
      <div className={css.head}>
        <QrCode code={network.code} of={network.signpost} />
        <ol className="stack">
          <li>
            {network.fingerprint
              ? 'First, once for each tablet, to learn whom to trust:'
              : 'A tablet can begin here:'}
            <div className={css.address}>{network.signpost}</div>
          </li>
          <li>
            From then on:
            <div className={css.address}>{first}</div>
            {others.length > 0 && (
              <p className="quiet">Where a tablet does not find that: {others.join(', ')}</p>
            )}
          </li>
        </ol>
      </div>
      {network.fingerprint && network.authorityEnds && (
        <p>
          The fingerprint (SHA-256) of the shop’s authority, good until {dayWithYear(network.authorityEnds)}.
          Compare it before a tablet is told to trust it.{' '}
          <span className={css.fingerprint}>{network.fingerprint}</span>
        </p>
      )}
      <p className="quiet">
        This server’s certificate ends on {dayWithYear(network.certificateEnds)}
        {network.fingerprint
          ? ' and is renewed by itself a month before.'
          : '; put the next one in the place of the file.'}
      </p>
      {network.trust.length > 0 && (
        <>
          <h3>How a tablet is told to trust it</h3>
          <div className={css.kinds}>
            {network.trust.map(({ kind, steps }) => (
              <div key={kind.say}>
                <h4>
                  <Says said={kind} />
                </h4>
                <ol>
                  {steps.map((step) => (
                    <li key={step.say}>
                      <Says said={step} />
                    </li>
                  ))}
                </ol>
              </div>
            ))}
          </div>
        </>
      )}
      <div className={`row ${css.keys}`}>
        <Button variant="default" onClick={() => window.print()}>
          Print this
        </Button>
      </div>
    </>
  );
}
