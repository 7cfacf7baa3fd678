import type { Schemas } from '../../shared/api/client';

export const deviations: Record<Schemas['Deviation'], string> = {
  nothing: 'Nothing',
  wireUnder: 'Wire too slow',
  wireOver: 'Wire too fast',
  voltsUnder: 'Volts too low',
  voltsOver: 'Volts too high',
  stickOutOver: 'Stick-out too long',
  gasLost: 'No gas',
};

export const drillKinds: Record<Schemas['DrillKind'], { name: string; what: string }> = {
  ear: { name: 'Ear', what: 'Hear an arc, read its meter, and say what is off and which way.' },
  eye: { name: 'Eye', what: 'See trace, outline and bead, and say what is off and which way.' },
  setMachine: { name: 'Set the machine', what: 'Somebody has turned the knobs. Put them right by ear.' },
};
