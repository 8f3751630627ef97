import { useLive } from './store';

/** How long something waits at most for a picture. */
const LATEST_MILLIS = 80;

const due = new Set<() => void>();
let timer: ReturnType<typeof setTimeout> | undefined;

function run() {
  clearTimeout(timer);
  timer = undefined;
  const now = [...due];
  due.clear();
  for (const each of now) each();
}

useLive.subscribe((now, before) => {
  if (now.image !== before.image && due.size > 0) run();
});

/**
 * Does something along with the next picture, or shortly if none comes: the page is then drawn once
 * for both, and not for every move of the hand. What is asked for twice is done once.
 */
export function onNextPicture(each: () => void) {
  due.add(each);
  timer ??= setTimeout(run, LATEST_MILLIS);
}

/** Leaves out what was asked for. */
export function cancelNextPicture(each: () => void) {
  due.delete(each);
}
