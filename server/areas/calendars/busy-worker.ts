import { parentPort, workerData } from 'node:worker_threads';
import { busyTimes } from '@rocchetto/core/diary/busy-times.ts';

// A calendar file is somebody else's text: it is followed in a thread of its own, which can be ended.
const { text, zone, within } = workerData as {
  text: string;
  zone: string;
  within: { from: number; to: number };
};
parentPort!.postMessage(busyTimes(text, zone, within));
