import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { Loaded } from '../../shared/Loaded';
import { ShowMore } from '../../shared/ShowMore';
import { dayOfMonth } from '../../shared/time';
import { usePages } from '../../shared/usePages';
import { joints, positions } from '../../shared/words';
import { BeadGlyph } from '../judging/BeadGlyph';
import { VerdictMark } from '../judging/VerdictMark';
import css from './beside.module.css';
import { progressQueries } from './queries';

const two = 2;

/** A student's beads as they followed each other, newest first; two of any time are laid side by side. */
export function TermStrip({ studentId }: { studentId: string }) {
  const strip = usePages(progressQueries.strip(studentId));
  const [chosen, setChosen] = useState<string[]>([]);
  // The third takes the place of the first.
  const choose = (id: string) =>
    setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id].slice(-two));
  return (
    <section className="panel stack" aria-label="The term at a glance">
      <div className="row">
        <h2>The term at a glance</h2>
        {chosen.length === two ? (
          <Button component={Link} to={`/beads/${chosen[0]}/beside/${chosen[1]}`}>
            Side by side
          </Button>
        ) : (
          <p className="quiet">Newest first. Choose two to lay them side by side.</p>
        )}
      </div>
      <Loaded of={strip} what="the term">
        {(beads) =>
          beads.length === 0 ? (
            <p className="quiet">No bead yet.</p>
          ) : (
            <>
              <ol className={css.strip}>
                {beads.map((bead) => (
                  <StripBead
                    key={bead.id}
                    bead={bead}
                    chosen={chosen.includes(bead.id)}
                    onChoose={() => choose(bead.id)}
                  />
                ))}
              </ol>
              <ShowMore more={strip.more} coming={strip.coming} what="beads" />
            </>
          )
        }
      </Loaded>
    </section>
  );
}

function StripBead(props: { bead: Schemas['StripBead']; chosen: boolean; onChoose: () => void }) {
  const { bead, chosen, onChoose } = props;
  const work = `${joints[bead.job.joint]}, ${positions[bead.job.position].toLowerCase()}`;
  const name = `Bead ${bead.number}`;
  return (
    <li>
      <button type="button" className={css.stripBead} aria-pressed={chosen} onClick={onChoose}>
        <span className={css.when}>
          {dayOfMonth(bead.at)} <VerdictMark verdict={bead.verdict} />
        </span>
        {bead.pictureId ? (
          <img src={`/api/pictures/${bead.pictureId}`} alt={name} loading="lazy" />
        ) : (
          <BeadGlyph shape={bead.shape} joint={bead.shape.joint} title={name} />
        )}
        <span className={css.work}>{work}</span>
      </button>
    </li>
  );
}
