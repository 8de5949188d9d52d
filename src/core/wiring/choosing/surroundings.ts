import type { CableEntry } from '../../catalogue';
import type { Surroundings } from '../../situation';
import type { Reason } from './reason';
import type { Criterion } from './types';

type Flex = CableEntry['flex'];
type Judged = Omit<Reason, 'id' | 'source'>;

/** How each kind of jacket and copper does where the lead lives (common practice; about walls local code decides). */
const PLACES: Readonly<Record<Surroundings, Readonly<Record<Flex, Judged>>>> = {
  stage: {
    stage: { grade: 'good', says: 'It stands being walked on, coiled and pulled.' },
    rack: { grade: 'fair', says: 'It is thin for a stage floor: keep it out of the way of feet and wheels.' },
    fixed: { grade: 'wrong', says: 'It is for fixed runs: coiled and walked on it breaks.' },
  },
  studio: {
    stage: { grade: 'good', says: 'It is flexible, and lasts.' },
    rack: { grade: 'fair', says: 'It is thin: for short leads that stay where they are.' },
    fixed: { grade: 'poor', says: 'It is too stiff to be plugged and moved.' },
  },
  rack: {
    stage: { grade: 'fair', says: 'It is thicker than a rack has room for.' },
    rack: { grade: 'good', says: 'It is thin and lies neatly in a rack.' },
    fixed: { grade: 'fair', says: 'It is stiff for a rack that is pulled out.' },
  },
  wall: {
    stage: { grade: 'poor', says: 'No fire rating is known of it: in a wall local code decides.' },
    rack: { grade: 'poor', says: 'No fire rating is known of it: in a wall local code decides.' },
    fixed: { grade: 'good', says: 'It is for fixed runs; which rating a wall asks for local code decides.' },
  },
  outdoors: {
    stage: {
      grade: 'good',
      says: 'Its jacket stands being laid on the ground and pulled; keep the connectors dry.',
    },
    rack: { grade: 'poor', says: 'Its jacket is too thin for wet ground and weather.' },
    fixed: { grade: 'poor', says: 'It is not made to be laid out and coiled in the cold.' },
  },
  vehicle: {
    stage: { grade: 'good', says: 'It stands heat, cold and shaking.' },
    rack: { grade: 'good', says: 'It is thin enough to go behind the trim.' },
    fixed: { grade: 'poor', says: 'Stiff copper breaks where it is shaken.' },
  },
};

export const surroundings: Criterion = {
  id: 'surroundings',
  what: 'Whether it stands where the lead will live.',
  source: 'common practice; local code decides about walls',
  judge: ({ ask, cable }) => PLACES[ask.intent.surroundings][cable.flex],
};
