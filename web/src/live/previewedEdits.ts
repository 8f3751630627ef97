/** Previews that may be on the way at once: one that is drawn, one that waits for its turn. */
const MOST = 2;

/** How long a try waits at most; an answer may never come. */
const LATEST_MILLIS = 150;

/**
 * What the hand tries on its way to the renderer. A hand moves more often than pictures come: of
 * what it tries while enough is on the way, only the newest goes.
 */
export class PreviewedEdits<T> {
  private mark = 0;
  private at = new Map<number, number>();
  private sent: number[] = [];
  private newest: T | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly send: (tried: T, mark: number) => void) {}

  /** Returns the mark under which it goes. */
  add(tried: T): number {
    this.at.set(++this.mark, performance.now());
    this.newest = tried;
    if (this.sent.length < MOST) this.go();
    else this.timer ??= setTimeout(() => this.go(), LATEST_MILLIS);
    return this.mark;
  }

  /**
   * A picture has come that answers a try and all before it.
   *
   * @returns when the hand asked for it, or undefined when it answers none
   */
  answered(mark: number): number | undefined {
    const since = this.at.get(mark);
    for (const m of this.at.keys()) if (m <= mark) this.at.delete(m);
    this.sent = this.sent.filter((m) => m > mark);
    if (this.newest !== null && this.sent.length < MOST) this.go();
    return since;
  }

  /** What has not gone yet is not wanted any more. */
  drop() {
    clearTimeout(this.timer);
    this.timer = undefined;
    this.newest = null;
    this.sent = [];
  }

  private go() {
    clearTimeout(this.timer);
    this.timer = undefined;
    if (this.newest === null) return;
    this.sent = [...this.sent.slice(1 - MOST), this.mark];
    this.send(this.newest, this.mark);
    this.newest = null;
  }
}
