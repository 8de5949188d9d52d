import { school } from './types';

export const shell = school({
  id: 'shell',
  question: 'Is the connector shell joined to the screen?',
  choices: [
    {
      id: 'open',
      name: 'left open',
      gains: 'The screen stays off whatever the shell touches; the equipment bonds the screen.',
      costs: 'A screen current path through a floating shell is not there to help.',
    },
    {
      id: 'both',
      name: 'joined at both ends',
      gains: 'The shell screens the joint itself, and carries on through couplers.',
      costs: 'Two shells that touch, or a shell on a truss, make a ground loop.',
    },
    {
      id: 'source',
      name: 'joined at the source end',
      gains: 'The shell is never floating, and no loop is made at the far end.',
      costs: 'The two ends of the lead are not alike.',
    },
    {
      id: 'destination',
      name: 'joined at the receiving end',
      gains: 'The shell is never floating, and no loop is made at the source.',
      costs: 'The two ends of the lead are not alike.',
    },
    {
      id: 'plugs',
      name: 'joined on plugs only',
      gains: 'A socket’s shell meets the plug’s anyway: one joint does for both.',
      costs: 'The shell of a socket that nothing is in floats.',
    },
    {
      id: 'sockets',
      name: 'joined on sockets only',
      gains: 'The shell of a coupler in the middle of a run is never floating.',
      costs: 'A plug’s shell meets the socket’s that it goes into: it is joined there all the same.',
    },
  ],
  default: 'open',
  because:
    'The screen is part of the equipment enclosure, and is bonded there; a cable shell lies on floors and touches other shells.',
  decides: 'wiring',
  source: 'AES48 for equipment (cited, from memory); common practice for cables',
});

/** Whether a school has the shell of an end joined to its screen: by the side of the lead that it is on, or by what it is. */
export const shellWanted = (
  school: string,
  side: 'source' | 'destination',
  gender: 'plug' | 'socket' | 'none' | undefined,
): boolean => school === 'both' || school === side || (gender !== undefined && school === `${gender}s`);
