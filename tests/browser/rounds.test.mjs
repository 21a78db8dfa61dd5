// A sample of a phone's bad days; all 1,000 rounds are bench/run queue.
import { test } from 'node:test';
import { judge, rounds } from './rounds.mjs';

test('whatever the network, the app and the server do, what the phone called sent is there once and in order', { timeout: 120_000 }, async () => {
  judge(await rounds(1000, 12, 11));
});
