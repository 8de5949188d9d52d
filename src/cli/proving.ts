import { coreFacts, repairOf } from '../core/bench';
import { servingOf } from '../core/findings';
import { proofFile, readReadings, type AnsweredBy } from '../core/formats';
import { mainUse } from '../core/lead';
import { locate, readBreak, readInstrument, sayExpectation } from '../core/proving';
import { isObject } from '../core/quantity';
import { leadIn, print, read, unwrap } from './files';
import { bad, options } from './options';

/** Proving from a shell: what is asked, what was answered, where a break is. Each prints, and gives its exit code. */
export const PROVING: Readonly<
  Record<'proof' | 'prove' | 'break', (file: string | undefined, ...more: readonly string[]) => number>
> = {
  proof(file) {
    const proof = leadIn(read(file)).proof();
    print({
      probes: proof.probes.map((probe) => ({ ...probe, expects: sayExpectation(proof.expects(probe)) })),
      trials: proof.trials,
    });
    return 0;
  },
  prove(file, ...more) {
    const lead = leadIn(read(file)).document;
    const { meter, series, ...by } = options(more, ['fault', 'built', 'readings', 'meter', 'series']);
    if (Object.keys(by).length > 1)
      throw bad(
        'cli.option',
        'Give one of --fault, --built and --readings: each is where the answers come from.',
      );
    const answers: AnsweredBy =
      by['fault'] !== undefined
        ? { fault: by['fault'] }
        : by['built'] !== undefined
          ? { built: leadIn(read(by['built'])).document }
          : { readings: by['readings'] === undefined ? [] : unwrap(readReadings(read(by['readings']))) };
    const made = unwrap(
      proofFile(lead, answers, {
        instrument: meter === undefined ? undefined : unwrap(readInstrument(read(meter))),
        series,
      }),
    );
    print(made);
    return made.verdict.good ? 0 : 1;
  },
  break(file, ...more) {
    const { lead: of, span, core } = options(more, ['lead', 'span', 'core']);
    const readings = read(file);
    const lead = of === undefined ? undefined : leadIn(read(of)).document;
    const facts = lead && unwrap(coreFacts(lead, mainUse(lead), { span, core }));
    const { near, far, ...known } = facts ?? { near: undefined, far: undefined };
    const found = unwrap(
      locate(unwrap(readBreak(isObject(readings) ? { ...known, ...readings } : readings))),
    );
    const repair = lead && repairOf(lead, found, span);
    print({
      ...found,
      ...(facts ? { near, far } : {}),
      ...(lead && repair?.ok ? { repair: { ...repair.value, serving: servingOf(lead, repair.value) } } : {}),
    });
    return 0;
  },
};
