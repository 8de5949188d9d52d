import { channelTests } from './channels';
import { controlTests } from './control';
import { phantomLamps, tipLamp } from './lamps';
import type { TestKind, TestsOf } from './types';
import { nextDay, wiggle } from './wiggle';

export type { TestsOf, Tried } from './types';

/** Every kind of functional test, in the order that they are done. One is added by its file here and its line. */
const TEST_KINDS: readonly TestKind[] = [phantomLamps, tipLamp, channelTests, controlTests, wiggle, nextDay];

/** The functional tests that follow from a lead and what it meets. */
export const testsOf: TestsOf = (assembly, situation) =>
  TEST_KINDS.flatMap((kind) => kind(assembly, situation));
