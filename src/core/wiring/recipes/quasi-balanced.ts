import { connect, linkShells } from '../connect';
import { cableProblem, lay } from '../lay';
import { allOneToOne, isSpecial, other, practice } from './shape';
import { type Recipe, wired } from './types';

export const quasiBalanced: Recipe = {
  id: 'quasi-balanced',
  name: 'quasi-balanced: a return core of its own',
  source: 'common practice',
  suits: (ask) =>
    isSpecial(ask) || ask.form !== 'lead' || !allOneToOne(ask, 'unbalanced')
      ? other('It is for unbalanced equipment at both ends.')
      : {
          is: 'possible',
          why: 'For one or two metres: the screen carries no signal. Its price is a return of one thin core instead of the screen, so a ground difference hums more.',
        },
  lacks: (ask) => cableProblem(ask, ask.links, { legs: 2 }),
  wire(ask, d) {
    const quasi = practice(
      'One core is the return at both ends; the screen is joined to it at the source end only.',
    );
    for (const run of lay(d, ask, ask.links, { legs: 2 })) connect(d, ask, run, { quasi });
    linkShells(d, ask);
    d.dress({
      id: 'arrow',
      what: 'arrow',
      over: 'W1',
      says: 'An arrow on the jacket from the source to the input.',
    });
    return wired;
  },
};
