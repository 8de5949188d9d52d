import type { ConnectorEntry, PortKind } from './entries';

const OTHER = { plug: 'socket', socket: 'plug' } as const;
/** What a plug goes into and a socket onto; nothing for what is neither. */
export const otherGender = (gender: ConnectorEntry['gender']): ConnectorEntry['gender'] | undefined =>
  gender === 'none' ? undefined : OTHER[gender];

/** Whether it is the end of a lead that lies on the meter, whatever it carries in use. */
export const isMeasured = ({ signal, direction }: PortKind): boolean =>
  signal === 'test' && direction === 'either';

/** What sounds as soon as it is plugged: nothing between its input and a loudspeaker is turned down first. */
export const amplifiesAtOnce = ({ id }: PortKind): boolean => id.startsWith('powered-loudspeaker');
