import { useRef } from 'react';
import type { Schemas } from '../../shared/api/client';

/** Which way an arrow key moves a mark. */
export const arrows: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where on a picture a finger comes down, and how large its pixels are on the screen. */
export function usePicturePlace(picture: Schemas['Picture']) {
  const svg = useRef<SVGSVGElement>(null);
  return {
    svg,
    /** Pixels of the screen a pixel of the picture. */
    per: () => svg.current?.getScreenCTM()?.a ?? 1,
    at: (event: { clientX: number; clientY: number }) => {
      const matrix = svg.current?.getScreenCTM()?.inverse();
      const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
      return {
        x: Math.min(picture.width, Math.max(0, point.x)),
        y: Math.min(picture.height, Math.max(0, point.y)),
      };
    },
  };
}
