import { byName, conductorsOf, placeOf, spansAt, type Assembly, sideOf } from '../../assembly';
import { spanLengths } from '../../assembly';
import { formatLength } from '../../quantity';
import { lengthSystem, type Schools } from '../../wiring';
import type { Operation } from '../types';

/** Parting a cable into its legs at each break-out: the jacket comes off, the cores go on uncut. */
export const part = (assembly: Assembly, schools: Schools): readonly Operation[] => {
  const lengths = spanLengths(assembly);
  return assembly.bodies
    .filter((body) => body.kind === 'breakout')
    .map((body): Operation => {
      const legs = spansAt(assembly, body.id).filter((span) => span.carries);
      const longest = Math.max(0, ...legs.map((leg) => lengths.get(leg.id) ?? 0));
      const left = assembly.unjoined
        .filter((each) => sideOf(each.at) === body.id)
        .flatMap((each) => {
          const place = placeOf(assembly, each.at);
          return place?.kind === 'conductor' ? (place.conductor.pair ?? place.conductor.id) : [];
        });
      const unused = [...new Set(left)].sort(byName);
      return {
        id: `part-${body.id}`,
        kind: 'part',
        title: `Take ${formatLength(longest, lengthSystem(schools))} of jacket off for the ${legs.length} legs`,
        detail: [
          `Part the cable by its pairs: ${legs.map((leg) => `${leg.id} ${[...new Set(conductorsOf(assembly, leg).map((c) => c.pair ?? c.id))].join(' ')}`).join(', ')}.`,
          'Thin heat-shrink over each leg. The cores go on uncut.',
          ...(unused.length > 0 ? [`Not needed: pair ${unused.join(', ')}; deal with its ends here.`] : []),
        ],
        caution: 'Blade away from the hand.',
        confirm: ['larger heat-shrink for the split'],
      };
    });
};

/** Pulling the cable through where one side has to be made on site. */
export const pull = (assembly: Assembly): readonly Operation[] => {
  const site = assembly.bodies.flatMap((body) => body.ends.filter((end) => end.madeOn === 'site'));
  return site.length === 0
    ? []
    : [
        {
          id: 'pull',
          kind: 'pull',
          title: `Pull the cable through, then make end ${site.map((end) => end.id).join(', ')} there`,
          detail: [
            'Tape the bare end to the draw wire; protect the finished end.',
            'Take the boot, the clamp and the rest of that end’s connector to the site with you.',
          ],
          caution: 'In walls: fire rating and local code; no drilling where mains may run.',
        },
      ];
};

/** Finishing the loose wires of a tail. */
export const finish = (assembly: Assembly): readonly Operation[] =>
  assembly.bodies.flatMap((body) =>
    body.ends
      .filter((end) => end.loose)
      .map((end): Operation => ({
        id: `finish-${end.id}`,
        kind: 'finish',
        end: end.id,
        title: `Finish the loose wires of end ${end.id}: ${(end.loose ?? []).map((wire) => wire.id).join(', ')}`,
        detail: [
          'Strip the jacket back, sleeve each wire, and mark it.',
          'Never tin strands that go under a screw or a crimp: solder creeps, the contact loosens. Bare strands or a ferrule there.',
        ],
        caution: 'Clippings fly: eye protection.',
      })),
  );
