// `npm run chaos -- [--seed n] [--rounds m]`: people work in several windows while everything goes wrong, one thing after the
// other; at the end it is counted what they were promised and what is there. The same seed brings the same course.
import { inProject } from './lib/project.mjs';
import { passOn } from './lib/run.mjs';
import { giveUp } from './lib/say.mjs';

const given = (name, usual) => {
  const at = process.argv.indexOf(`--${name}`);
  if (at < 0) return usual;
  const value = Number(process.argv[at + 1]);
  if (!Number.isInteger(value) || value < 1) giveUp(`--${name} must be a whole number from 1 up.`);
  return value;
};
process.exit(
  await passOn(process.execPath, [inProject('scripts', 'test.mjs'), '--project', 'browser', 'chaos'], {
    cwd: inProject(),
    env: {
      ...process.env,
      ANTLER_CHAOS_SEED: String(given('seed', Math.floor(Math.random() * 1e6) + 1)),
      ANTLER_CHAOS_ROUNDS: String(given('rounds', 22)),
    },
  }),
);
