// Asks the server over and over whether it is up, on a line of its own, and keeps how long each answer took (null where there was none).
import http from 'node:http';
import { parentPort, workerData } from 'node:worker_threads';

const EVERY_MS = 50;
const times = [];
const agent = new http.Agent({ keepAlive: true });
let isEnding = false;
parentPort.on('message', () => (isEnding = true));

const asked = () =>
  new Promise((resolve) => {
    const start = performance.now();
    http
      .get(`${workerData.address}/api/health`, { agent }, (response) => {
        response.resume();
        response.on('end', () => resolve(response.statusCode === 200 ? performance.now() - start : null));
      })
      .on('error', () => resolve(null));
  });

while (!isEnding) {
  times.push(await asked());
  await new Promise((resolve) => setTimeout(resolve, EVERY_MS));
}
parentPort.postMessage(times);
