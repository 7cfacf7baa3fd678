import { Button } from '@mantine/core';
import { useRef } from 'react';
import type { Schemas } from '../../shared/api/client';
import { sides } from './sides';

/** Takes a picture of one side with the camera, or picks a file. */
export function AddPicture(props: {
  side: Schemas['PictureSide'];
  busy: boolean;
  onFile: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant="default" loading={props.busy} onClick={() => input.current?.click()}>
        + {sides[props.side]}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={`Picture of the ${sides[props.side].toLowerCase()}`}
        className={`picture-file of-${props.side}`}
        accept="image/png,image/jpeg,image/webp"
        capture="environment"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          if (file) props.onFile(file);
          // The same file can be picked again.
          event.currentTarget.value = '';
        }}
      />
    </>
  );
}
