import { parentPort, workerData } from 'node:worker_threads';
import { number, object } from 'yup';
import { readJob } from './job';
import { stepBack } from './step-back';
import { answerJob } from './work';

const startSchema = object({ nice: number().integer().min(0).max(19).required() });
stepBack(startSchema.validateSync(workerData, { strict: true }).nice);

// Whatever is thrown here ends the thread: its job is refused, and a fresh thread takes the next.
parentPort?.on('message', (message: unknown) => {
  void answerJob(readJob(message)).then((answered) => parentPort?.postMessage(answered, [answered.body.buffer]));
});
