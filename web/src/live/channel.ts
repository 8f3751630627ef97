import type { Operation } from '../api/document';
import {
  useLive,
  type Denoise,
  type Frame,
  type Progress,
  type Reading,
  type Scopes,
  type ScopesOf,
  type View,
} from './store';
import { Tries } from './tries';

type Message =
  | ({ type: 'progress' } & Progress)
  | ({ type: 'reading' } & Reading)
  | { type: 'changed'; revision: number }
  | { type: 'deleted' }
  | { type: 'failed'; detail: string }
  | { type: 'refused'; detail: string };

const RETRY_MILLIS = 1500;

/** The live channel of one shoot: frames and messages down, the hand up. Reconnects by itself. */
export class LiveChannel {
  private socket: WebSocket | null = null;
  private closed = false;
  private readonly tries = new Tries((operations, mark) =>
    this.send({ type: 'try', operations, mark }),
  );
  private size: { width: number; height: number } | null = null;
  private shotId: string | null = null;

  constructor(
    private readonly shoot: string,
    private readonly onChanged: (revision: number) => void,
    private readonly onRefused: (detail: string) => void,
    private readonly onDeleted: () => void,
  ) {
    this.open();
  }

  private open() {
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws';
    const socket = new WebSocket(
      `${scheme}://${location.host}/api/shoots/${encodeURIComponent(this.shoot)}/live`,
    );
    socket.binaryType = 'arraybuffer';
    socket.onopen = () => {
      useLive.setState({ connected: true });
      if (this.size) this.send({ type: 'size', ...this.size });
      if (this.shotId) this.send({ type: 'shot', id: this.shotId });
      this.send({ type: 'pause', paused: useLive.getState().paused });
      this.send({ type: 'noise', percent: useLive.getState().wantedPercent });
      this.send({ type: 'denoise', when: useLive.getState().denoise });
      this.send({ type: 'view', ...useLive.getState().view });
      this.send({ type: 'scopes', of: useLive.getState().scopesOf });
    };
    socket.onclose = () => {
      // One that was closed here says nothing of the channel that came after it.
      if (this.closed) return;
      useLive.setState({ connected: false });
      this.tries.drop();
      setTimeout(() => this.closed || this.open(), RETRY_MILLIS);
    };
    socket.onmessage = (event: MessageEvent<ArrayBuffer | string>) => {
      if (typeof event.data === 'string') {
        this.hear(JSON.parse(event.data) as Message);
      } else {
        this.show(event.data);
      }
    };
    this.socket = socket;
  }

  private hear(message: Message) {
    if (message.type === 'progress') {
      useLive.setState({ progress: message });
    } else if (message.type === 'reading') {
      useLive.setState({ reading: message });
    } else if (message.type === 'changed') {
      this.onChanged(message.revision);
    } else if (message.type === 'deleted') {
      this.close();
      this.onDeleted();
    } else if (message.type === 'failed') {
      useLive.setState({ failure: message.detail });
    } else {
      this.onRefused(message.detail);
    }
  }

  /** A frame: four bytes of header length, the header as JSON, rows of red, green, blue and alpha. */
  private show(data: ArrayBuffer) {
    if (this.closed) return;
    const length = new DataView(data).getUint32(0);
    const head = new TextDecoder().decode(new Uint8Array(data, 4, length));
    const parsed = JSON.parse(head) as Frame | ({ kind: 'scopes' } & Scopes);
    if ('kind' in parsed) {
      const split = 4 * parsed.columns * parsed.levels;
      const body = new Uint8Array(data, 4 + length);
      useLive.setState({
        scopes: { ...parsed, waveform: body.subarray(0, split), vectors: body.subarray(split) },
      });
      return;
    }
    const frame = parsed;
    const rgba = new Uint8ClampedArray(data, 4 + length);
    const image = new ImageData(rgba, frame.columns, frame.rows);
    const since = this.tries.answered(frame.mark);
    useLive.setState({ image, frame, failure: null });
    if (since !== undefined) {
      requestAnimationFrame(() => {
        useLive.setState({ handMillis: performance.now() - since });
        this.send({ type: 'drawn', mark: frame.mark });
      });
    }
  }

  private send(message: unknown) {
    if (this.socket?.readyState === WebSocket.OPEN) {
      this.socket.send(JSON.stringify(message));
    }
  }

  /** Shows what operations would do; nothing is kept. */
  tryOut(operations: Operation[]) {
    this.tries.add(operations);
  }

  /** What was tried is kept now, and need not be shown as a try any more. */
  kept() {
    this.tries.drop();
  }

  /** Goes back to what is kept. */
  untry() {
    this.tries.drop();
    this.send({ type: 'untry' });
  }

  shot(id: string) {
    this.shotId = id;
    this.send({ type: 'shot', id });
  }

  resize(width: number, height: number) {
    this.size = { width, height };
    this.send({ type: 'size', width, height });
  }

  pause(paused: boolean) {
    useLive.setState({ paused });
    this.send({ type: 'pause', paused });
  }

  /** Sets the noise at which tracing ends. */
  clean(percent: number) {
    useLive.setState({ wantedPercent: percent });
    this.send({ type: 'noise', percent });
  }

  /** Shows the shoot another way. */
  view(view: View) {
    useLive.setState({ view });
    this.send({ type: 'view', ...view });
  }

  /** Sets what scopes measure. */
  measure(of: ScopesOf) {
    useLive.setState({ scopesOf: of });
    this.send({ type: 'scopes', of });
  }

  /** Sets when the picture is shown denoised. */
  denoise(when: Denoise) {
    useLive.setState({ denoise: when });
    this.send({ type: 'denoise', when });
  }

  probe(x: number, y: number) {
    this.send({ type: 'probe', x, y });
  }

  close() {
    this.closed = true;
    this.tries.drop();
    this.socket?.close();
  }
}
