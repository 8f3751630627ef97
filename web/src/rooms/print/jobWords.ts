import type { FrameOrder, PrintJob } from '../../api/document';
import { duration } from '../../frame/duration';
import { goalOf } from './order';

const STATES: Record<PrintJob['state'], string> = {
  waiting: 'Waiting',
  printing: 'Printing',
  paused: 'Paused',
  stopping: 'Writing files',
  stopped: 'Stopped',
  done: 'Done',
  failed: 'Failed',
};

/** What a job does, in a word or a few. */
export function stateOf(job: PrintJob): string {
  if (job.state === 'failed' && job.detail) return `Failed: ${job.detail}`;
  const state = STATES[job.state];
  return job.doing ? `${state}: ${job.doing}` : state;
}

/** Which frames: "1 to 72", or one. */
export function framesOf(frames: FrameOrder): string {
  return frames.last > frames.first ? `${frames.first} to ${frames.last}` : `${frames.first}`;
}

/** Time left with how far it may be off: "12 min, 9 to 16". */
export function leftOf(job: PrintJob): string {
  if (job.state !== 'printing' || job.secondsLeft === null) return '';
  const f = job.factor ?? 2;
  return `${duration(job.secondsLeft)} left (${duration(job.secondsLeft / f)} to ${duration(job.secondsLeft * f)})`;
}

/** Samples and noise as they are, and what is wanted. */
export function cleanOf(job: PrintJob): string {
  const noise = job.noisePercent === null ? '' : `, ${job.noisePercent.toPrecision(2)} % noise`;
  const goal = goalOf(job.order);
  const wanted =
    goal === 'noise'
      ? `to ${job.order.noisePercent} %`
      : goal === 'samples'
        ? `of ${job.order.samples}`
        : `in ${job.order.minutes} min`;
  const samples = job.samples < 10 ? job.samples.toFixed(1) : Math.round(job.samples).toString();
  return goal === 'samples'
    ? `${samples} ${wanted} spp${noise}`
    : `${samples} spp${noise} ${wanted}`;
}
