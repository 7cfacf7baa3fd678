import type { Schemas } from '../../shared/api/client';
import css from './network.module.css';

/** A QR code, black on white whatever the light: that is what cameras read. */
export const QrCode = ({ code, of }: { code: Schemas['QrPath']; of: string }) => (
  <svg
    className={css.code}
    viewBox={`0 0 ${code.size} ${code.size}`}
    role="img"
    aria-label={`QR code of ${of}`}
  >
    <rect width={code.size} height={code.size} fill="#fff" />
    <path d={code.path} fill="#000" shapeRendering="crispEdges" />
  </svg>
);
