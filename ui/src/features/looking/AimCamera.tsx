import { Button } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { postFile } from '../../shared/postFile';
import { useSay } from '../../shared/words/useSay';
import css from './face.module.css';

// How often a frame is asked about, and how large it goes: enough to read the card by.
const everyMs = 700;
const frameWidth = 1280;
const quality = 0.7;

async function drawn(video: HTMLVideoElement, width: number, as: number): Promise<Blob> {
  const by = Math.min(1, width / video.videoWidth);
  const canvas = new OffscreenCanvas(Math.round(video.videoWidth * by), Math.round(video.videoHeight * by));
  canvas.getContext('2d')?.drawImage(video, 0, 0, canvas.width, canvas.height);
  return canvas.convertToBlob({ type: 'image/jpeg', quality: as });
}

/** Aims the camera at a bead, or at the plate behind it, and the card: says what is wrong with the picture before it is taken. */
export function AimCamera(props: { onPicture: (file: File) => void; onClose: () => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [blocked, setBlocked] = useState(false);
  const [size, setSize] = useState<{ width: number; height: number }>();
  const [frame, setFrame] = useState<Schemas['FrameAnswer']>();
  const say = useSay();
  useEffect(() => {
    let ended = false;
    let stream: MediaStream | undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const ask = async () => {
      const own = video.current;
      if (own && own.videoWidth > 0) {
        try {
          const body = await drawn(own, frameWidth, quality);
          const told = await postFile<Schemas['FrameAnswer']>(`/api/eye/frame?width=${own.videoWidth}`, body);
          if (!ended) setFrame(told);
        } catch {
          // Without the network nothing is said of the picture; it can be taken all the same.
        }
      }
      if (!ended) timer = setTimeout(() => void ask(), everyMs);
    };
    const begin = async () => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: 'environment', width: { ideal: 4096 }, height: { ideal: 3072 } },
        });
        if (ended || !video.current) {
          stream.getTracks().forEach((track) => track.stop());
          return;
        }
        video.current.srcObject = stream;
        await video.current.play();
        setSize({ width: video.current.videoWidth, height: video.current.videoHeight });
        void ask();
      } catch {
        setBlocked(true);
      }
    };
    void begin();
    return () => {
      ended = true;
      clearTimeout(timer);
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, []);
  const take = async () => {
    if (!video.current) return;
    const picture = await drawn(video.current, Infinity, 0.92);
    props.onPicture(new File([picture], 'picture.jpg', { type: 'image/jpeg' }));
  };
  if (blocked) {
    return (
      <p role="alert">
        No camera can be used here: allow it for this page, or pick a picture as a file. A camera needs the
        encrypted address of this server.
      </p>
    );
  }
  return (
    <div className="stack">
      <div className={css.aim}>
        <video ref={video} muted playsInline aria-label="What the camera sees" />
        {frame && frame.card.length > 0 && size && (
          <svg viewBox={`0 0 ${size.width} ${size.height}`} aria-hidden="true">
            {/* Its own frame cuts off what of the card is out of the picture. */}
            <svg width={size.width} height={size.height} overflow="hidden">
              <polygon
                className={css.card}
                strokeWidth={size.width / 160}
                points={frame.card
                  .map(({ x = 0, y = 0 }) => `${x * size.width},${y * size.height}`)
                  .join(' ')}
              />
            </svg>
          </svg>
        )}
      </div>
      <p className={css.said} role="status">
        {!size || !frame
          ? 'Aim at the bead, with the card beside it.'
          : frame.do
            ? say(frame.do)
            : 'This will do.'}
      </p>
      <div className="row">
        <Button size="lg" disabled={!size} onClick={() => void take()}>
          Take it
        </Button>
        <Button size="lg" variant="default" onClick={props.onClose}>
          Close
        </Button>
      </div>
    </div>
  );
}
