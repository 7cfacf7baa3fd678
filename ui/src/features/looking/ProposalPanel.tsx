import { Button } from '@mantine/core';
import { Line, Says } from '../../shared/words/useSay';
import type { Proposal } from './useProposal';

/** Has the eye propose the marks, and says how far to trust them. */
export function ProposalPanel(props: {
  proposal: Proposal;
  onAsk: () => void;
  /** Whether a mark that is dragged lies on edges it comes near. */
  onEdges: boolean;
  setOnEdges: (on: boolean) => void;
}) {
  const { proposal, onAsk, onEdges, setOnEdges } = props;
  const { seen, todo, waiting, error } = proposal;
  return (
    <section className="panel stack" aria-label="The eye" aria-busy={waiting}>
      <Button variant={seen ? 'default' : 'filled'} loading={waiting} onClick={onAsk}>
        {seen ? 'Propose again' : 'Propose the marks'}
      </Button>
      {!seen && !todo && (
        <p className="quiet">
          By the card with the window, or by the scale once both its ends are marked. It has met a few hundred
          drawn sections and few real ones, and is often off: Undo takes a proposal back.
        </p>
      )}
      {waiting && <p role="status">Looking …</p>}
      {todo && (
        <p role="status">
          <b>
            <Says said={todo} />
          </b>
        </p>
      )}
      {error && (
        <p className="field-error" role="alert">
          <Line error={error} otherwise="The eye could not look." />
        </p>
      )}
      {seen && (
        <>
          <p>Proposed, and often off: look over each mark.</p>
          <Button
            variant={onEdges ? 'filled' : 'default'}
            aria-pressed={onEdges}
            onClick={() => setOnEdges(!onEdges)}
          >
            Lay marks on edges
          </Button>
          {seen.notSurer.length > 0 && (
            <ul className="plain-list quiet" aria-label="Why it is not surer">
              {seen.notSurer.map((why, i) => (
                <li key={i}>
                  <Says said={why} />
                </li>
              ))}
            </ul>
          )}
        </>
      )}
    </section>
  );
}
