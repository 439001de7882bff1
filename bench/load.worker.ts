/** A load run in a worker of a browser, where people have it run. */
import { answerOf, type Asked } from './load-run';

self.onmessage = ({ data }: MessageEvent<Asked>) => self.postMessage(answerOf(data));
