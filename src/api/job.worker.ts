import { parentPort } from 'node:worker_threads';
import { readJob } from './job';
import { stepBack } from './step-back';
import { answerJob } from './work';

stepBack();

// Whatever is thrown here ends the thread: its job is refused, and a fresh thread takes the next.
parentPort?.on('message', (message: unknown) => {
  void answerJob(readJob(message)).then((answered) => parentPort?.postMessage(answered, [answered.body.buffer]));
});
