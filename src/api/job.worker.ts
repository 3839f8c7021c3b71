import { parentPort } from 'node:worker_threads';
import { readJob } from './job';
import { answerJob } from './work';

// Whatever is thrown here ends the thread: its job is refused, and a fresh thread takes the next.
parentPort?.on('message', (message: unknown) => {
  void answerJob(readJob(message)).then((answered) => parentPort?.postMessage(answered, [answered.body.buffer]));
});
