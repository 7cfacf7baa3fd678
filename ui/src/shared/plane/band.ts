import { area } from 'd3-shape';
import type { Schemas } from '../api/client';
import type { Places } from './Plane';

/** A smooth band's outline: along its top, back along its bottom. */
export const bandPath = (band: Schemas['BandPoint'][], { x, y }: Places): string =>
  area<Schemas['BandPoint']>()
    .x((point) => x(point.wireFeedMPerMin))
    .y0((point) => y(point.lowVolts))
    .y1((point) => y(point.highVolts))(band) ?? '';
