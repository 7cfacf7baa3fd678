import { Button } from '@mantine/core';
import { type SyntheticEvent, useState } from 'react';
import { useUnits } from '../../shared/units';
import css from './beside.module.css';
import type { Across } from './useOneScale';
import { acrossMm, brightness, evenLight, turnedAcross } from './evenLight';

// A bar of ten millimetres, or of half an inch.
const barMm = { metric: 10, inch: 12.7 };

function ScaleBar({ across }: { across: number }) {
  const { units } = useUnits();
  return (
    <span className={css.scale}>
      <span className={css.bar} style={{ width: `${(100 * barMm[units]) / across}%` }} />
      {units === 'inch' ? '1/2 in' : '10 mm'}
    </span>
  );
}

// Enough pixels to know how bright it is.
const sample = 48;
const quarter = 90;
const upright = 180;

/** A bead's picture, laid across and lit like the one beside it; at one scale with it, where both were measured. */
export function EvenPicture(props: {
  id: string;
  alt: string;
  pixelsPerMm: number | null;
  /** How many millimetres its frame would be across by itself. */
  onAcross: (mm: number) => void;
  /** How many it is to be across; null as many as it is by itself. */
  across: Across | null;
}) {
  const { id, alt, pixelsPerMm, onAcross, across } = props;
  const [light, setLight] = useState(1);
  const [turned, setTurned] = useState(0);
  const measure = (event: SyntheticEvent<HTMLImageElement>) => {
    const image = event.currentTarget;
    setTurned(turnedAcross(image.naturalWidth, image.naturalHeight));
    if (pixelsPerMm) onAcross(acrossMm(image.naturalWidth, image.naturalHeight, pixelsPerMm));
    const canvas = document.createElement('canvas');
    canvas.width = sample;
    canvas.height = sample;
    const on = canvas.getContext('2d');
    on?.drawImage(image, 0, 0, sample, sample);
    if (on) setLight(evenLight(brightness(on.getImageData(0, 0, sample, sample).data)));
  };
  return (
    <figure className={css.figure}>
      <div className={css.frame} data-standing={turned % upright !== 0 || undefined}>
        <img
          src={`/api/pictures/${id}`}
          alt={alt}
          onLoad={measure}
          style={{
            filter: `brightness(${light.toFixed(2)})`,
            rotate: `${turned}deg`,
            scale: across ? (across.own / across.wanted).toFixed(3) : undefined,
          }}
        />
      </div>
      {across && <ScaleBar across={across.wanted} />}
      <Button
        variant="default"
        onClick={() => setTurned((turned + quarter) % (2 * upright))}
        aria-label={`Turn: ${alt}`}
      >
        Turn
      </Button>
    </figure>
  );
}
