import { parentPort } from 'node:worker_threads';
import { answerTo } from '../server/beside';

/** Does what takes long beside the thread that answers: of a trunk it takes seconds. */
parentPort?.on('message', (asked: Parameters<typeof answerTo>[0]) =>
  parentPort?.postMessage(answerTo(asked)),
);
