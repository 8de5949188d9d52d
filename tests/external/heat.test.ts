import { describe, expect, it } from 'vitest';
import { heatedJoint, integrate, spiceOf, TIPS, withIron } from '../../src/core/heat';
import { leadNamed } from '../examples/read';
import { transientOf } from '../support/ngspice';

const SECONDS = 4;
const STEP = 0.02;
/** Joints of every kind: cup, tab, lug, pad, in the air; each with its iron, dry and wet. */
const JOINTS = [
  ['stage-microphone', 'joint-A-2', 50, 360],
  ['stage-microphone', 'joint-A-1', 25, 350],
  ['stereo-35-to-35', 'joint-A-T', 50, 340],
  ['instrument-lead', 'joint-A-S', 60, 380],
  ['record-player-unified', 'joint-A-Lp', 30, 350],
  ['stereo-sum', 'joint-R1-a', 50, 350],
] as const;

describe('heat of a joint beside a SPICE simulator: the same network, volts for kelvins', () => {
  it.each(JOINTS)(
    '%s %s, %d W at %d °C: every node within a hundredth of the step',
    (name, id, watts, settingC) => {
      const joint = heatedJoint(leadNamed(name).assembly, id);
      if (!joint.ok) throw new Error(id);
      for (const solder of ['dry', 'wet'] as const)
        for (const tip of TIPS) {
          const network = withIron(joint.value, { watts, settingC, tip }, solder);
          const ours = integrate(network, { seconds: SECONDS, step: 0.01 });
          const theirs = transientOf(spiceOf(network, SECONDS, STEP), network.nodes.length);
          expect(theirs.length).toBeGreaterThan(100);
          for (const { s, values } of theirs) {
            const at = s / 0.01;
            const [low, high] = [ours[Math.floor(at)], ours[Math.min(ours.length - 1, Math.ceil(at))]];
            network.nodes.forEach((_, n) => {
              const [a = 0, b = 0] = [low?.celsius[n], high?.celsius[n]];
              const own = a + (b - a) * (at - Math.floor(at));
              expect(Math.abs(own - (values[n] ?? 0)), `${network.nodes[n]?.id ?? ''} at ${s}`).toBeLessThan(
                0.01 * (settingC - 20),
              );
            });
          }
        }
    },
  );
});
