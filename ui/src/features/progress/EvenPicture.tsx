import { Button } from '@mantine/core';
import { type SyntheticEvent, useState } from 'react';
import css from './beside.module.css';
import { brightness, evenLight, turnedAcross } from './evenLight';

// Enough pixels to know how bright it is.
const sample = 48;
const quarter = 90;
const upright = 180;

/** A bead's picture, laid across and lit like the one beside it. */
export function EvenPicture({ id, alt }: { id: string; alt: string }) {
  const [light, setLight] = useState(1);
  const [turned, setTurned] = useState(0);
  const measure = (event: SyntheticEvent<HTMLImageElement>) => {
    const image = event.currentTarget;
    setTurned(turnedAcross(image.naturalWidth, image.naturalHeight));
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
          style={{ filter: `brightness(${light.toFixed(2)})`, rotate: `${turned}deg` }}
        />
      </div>
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
