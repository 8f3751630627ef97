/** Lets a few things go on at a time; the others wait in line. */
export class Turns {
  private going = 0;
  private readonly line: (() => void)[] = [];

  constructor(private readonly most: number) {}

  /** Starts something in its turn; the answer ends its turn, or its waiting. */
  ask(start: () => void): () => void {
    let state: 'waiting' | 'going' | 'over' = 'waiting';
    const go = () => {
      state = 'going';
      this.going++;
      start();
    };
    if (this.going < this.most) go();
    else this.line.push(go);
    return () => {
      if (state === 'waiting') this.line.splice(this.line.indexOf(go), 1);
      if (state === 'going') {
        this.going--;
        this.line.shift()?.();
      }
      state = 'over';
    };
  }
}
