import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { day } from '../shared/time';
import { useBoothData } from '../features/sessions/BoothFrame';
import { jobLine, WithLine } from '../features/sheets/JobLine';
import { Cautions } from '../features/sheets/Cautions';
import { BoothNumber } from '../shared/page/BoothNumber';
import { CardNumbers } from '../features/sheets/CardNumbers';
import { useSay } from '../shared/words/useSay';
import css from '../features/sheets/card.module.css';

/** A settings card ready for the printer: the sheet for the student, or the booth card with the marks large. */
export function CardPage() {
  const say = useSay();
  const { booth, machine, student, coupon } = useBoothData();
  const [large, setLarge] = useState(false);
  if (!coupon) {
    return (
      <div className="panel empty">
        <p>No sheet has been given out at this booth yet.</p>
        <Button component={Link} to={`/booths/${booth.id}`} size="lg">
          Make the sheet
        </Button>
      </div>
    );
  }
  const { sheet } = coupon;
  const files = `/api/cards/${sheet.id}`;
  return (
    <>
      <div className={`row ${css.cardKeys}`}>
        <Button onClick={() => window.print()}>Print, A5</Button>
        <Button variant="default" onClick={() => setLarge(!large)}>
          {large ? 'The whole sheet' : 'Booth card, marks large'}
        </Button>
        <Button variant="default" component="a" href={`${files}/pdf?booth=${large}`}>
          PDF
        </Button>
        <Button variant="default" component="a" href={`${files}/csv`}>
          CSV
        </Button>
        <Button variant="default" component="a" href={`${files}/json`}>
          JSON
        </Button>
      </div>
      <article className={large ? `${css.card} ${css.large}` : css.card} aria-label="Settings card">
        <header>
          <BoothNumber number={booth.number} />
          <div>
            <h2>{student?.name}</h2>
            <p className="quiet">
              {machine.name}, {day(sheet.assignedAt)}
            </p>
          </div>
        </header>
        <h3>
          {jobLine(sheet.body.job)} <span className="quiet">{sheet.body.positionName}</span>
        </h3>
        <p className="quiet">
          <WithLine sheet={sheet.body} />
        </p>
        <CardNumbers sheet={sheet.body} />
        {!large && (
          <>
            <p>
              <b>It should sound:</b> {say(sheet.body.expectedSound)}
            </p>
            <p>
              <b>It should look:</b> {say(sheet.body.expectedLook)}
            </p>
            <ol>
              {sheet.body.steps.map((step) => (
                <li key={say(step)}>{say(step)}</li>
              ))}
            </ol>
          </>
        )}
        <Cautions sheet={sheet.body} />
      </article>
    </>
  );
}
