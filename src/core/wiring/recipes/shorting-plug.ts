import { contactTerminal } from '../../assembly';
import { putEnds } from '../lay';
import { isMeasured } from '../../catalogue';
import { other, practice } from './shape';
import { cannot, type Recipe, wired } from './types';

export const shortingPlug: Recipe = {
  id: 'shorting-plug',
  name: 'shorting plug',
  source: 'common practice',
  suits: (ask) =>
    ask.form === 'plug' && ask.ends.length === 1 && ask.ends.every(({ port }) => isMeasured(port))
      ? {
          is: 'right',
          why: 'Every contact joined to every other: on the far end of a lead it brings all its paths back to the meter.',
        }
      : other('It is one plug on the end of a lead that is on the meter, and on nothing else.'),
  wire(ask, d) {
    putEnds(d, ask);
    const [end] = ask.ends;
    const contacts = end?.connector?.contacts ?? [];
    if (!end || contacts.length < 2)
      return cannot('A shorting plug needs a connector of two contacts or more.');
    const because = practice('One bare wire through every contact makes them one to the meter.');
    d.link(
      end.body,
      contacts.map(({ id }) => contactTerminal(end.id, id)),
      because,
    );
    d.because(because);
    d.because(
      practice(
        'Only on leads that are plugged into nothing: it shorts outputs, and phantom to ground. The shell is left apart, so that a case that touches a core is seen.',
      ),
    );
    return wired;
  },
};
