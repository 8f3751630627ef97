import { setLivePage } from '../api/client';
import type { Operation, Schemas } from '../api/document';
import { useLive, type Denoise, type Frame, type ScopesOf, type View } from './store';
import { PreviewedEdits } from './previewedEdits';

type ServerMessage = Schemas['ServerMessage'];
type PageMessage = Schemas['PageMessage'];

const RETRY_MILLIS = 1500;

/** How often the page asks whether anybody is there, and how long it waits for any sign. */
const PING_MILLIS = 1500;
const SILENT_MILLIS = 5000;

/** What the page does when something happens to the shoot. */
export interface Happenings {
  onChanged: (revision: number) => void;
  onRefused: (detail: string) => void;
  onDeleted: () => void;
  /** The connection is there again after it was lost, messages were let go, or all shoots are others now. */
  onBack: () => void;
}

/** The live channel of one shoot: frames and messages down, the hand up. Reconnects by itself. */
export class LiveChannel {
  private socket: WebSocket | null = null;
  private closed = false;
  private readonly tries = new PreviewedEdits<Operation[] | number>((tried, mark) =>
    this.send(
      typeof tried === 'number'
        ? { type: 'time', seconds: tried, mark }
        : { type: 'try', operations: tried, mark },
    ),
  );
  private size: { width: number; height: number } | null = null;
  private shotId: string | null = null;
  private seconds: number | null = null;
  /** The mark of the time that was asked for last. */
  private timeMark = 0;
  /** The shot whose first frame is waited for; frames of another are not drawn. */
  private awaitedShot: string | null = null;
  private heard = 0;
  private lost = false;
  private readonly pulse = setInterval(() => this.ask(), PING_MILLIS);

  constructor(
    private readonly shoot: string,
    private readonly happenings: Happenings,
  ) {
    this.open();
  }

  /** Asks for a sign of life; a connection that gives none for a while is given up. */
  private ask() {
    if (this.socket?.readyState !== WebSocket.OPEN) return;
    if (performance.now() - this.heard > SILENT_MILLIS) {
      const silent = this.socket;
      this.drop(silent);
      silent.close();
    } else {
      this.send({ type: 'ping' });
    }
  }

  /** The connection is lost: says so and tries another. */
  private drop(socket: WebSocket) {
    // One that was closed here, or given up before, says nothing of the channel after it.
    if (this.closed || socket !== this.socket) return;
    this.socket = null;
    this.lost = true;
    useLive.setState({ connected: false });
    this.tries.drop();
    setTimeout(() => this.closed || this.open(), RETRY_MILLIS);
  }

  private open() {
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws';
    const socket = new WebSocket(
      `${scheme}://${location.host}/api/shoots/${encodeURIComponent(this.shoot)}/live`,
    );
    socket.binaryType = 'arraybuffer';
    socket.onopen = () => {
      this.heard = performance.now();
      useLive.setState({ connected: true });
      if (this.lost) this.happenings.onBack();
      this.lost = false;
      if (this.size) this.send({ type: 'size', ...this.size });
      if (this.shotId) this.send({ type: 'shot', id: this.shotId });
      if (this.seconds !== null) this.send({ type: 'time', seconds: this.seconds, mark: 0 });
      this.send({ type: 'pause', paused: useLive.getState().paused });
      this.send({ type: 'noise', percent: useLive.getState().wantedPercent });
      this.send({ type: 'denoise', when: useLive.getState().denoise });
      this.send({ type: 'view', ...useLive.getState().view });
      this.send({ type: 'scopes', of: useLive.getState().scopesOf });
    };
    socket.onclose = () => this.drop(socket);
    socket.onmessage = (event: MessageEvent<ArrayBuffer | string>) => {
      this.heard = performance.now();
      if (typeof event.data === 'string') {
        this.hear(JSON.parse(event.data) as ServerMessage);
      } else {
        this.show(event.data);
      }
    };
    this.socket = socket;
  }

  private hear(message: ServerMessage) {
    if (message.type === 'progress') {
      useLive.setState({ progress: message });
    } else if (message.type === 'reading') {
      useLive.setState({ reading: message });
    } else if (message.type === 'changed') {
      this.happenings.onChanged(message.revision);
    } else if (message.type === 'deleted') {
      this.close();
      this.happenings.onDeleted();
    } else if (message.type === 'failed') {
      useLive.setState({ failure: message.detail });
    } else if (message.type === 'page') {
      setLivePage(message.id);
    } else if (message.type === 'behind') {
      this.happenings.onBack();
    } else if (message.type === 'restored') {
      this.happenings.onBack();
      this.socket?.close();
    } else if (message.type === 'refused') {
      this.awaitedShot = null;
      this.happenings.onRefused(message.detail);
    }
  }

  /** A frame: four bytes of header length, the header as JSON, rows of red, green, blue and alpha. */
  private show(data: ArrayBuffer) {
    if (this.closed) return;
    const length = new DataView(data).getUint32(0);
    const head = new TextDecoder().decode(new Uint8Array(data, 4, length));
    const parsed = JSON.parse(head) as Frame | Schemas['ScopesHeader'];
    if ('kind' in parsed) {
      const split = 4 * parsed.columns * parsed.levels;
      const body = new Uint8Array(data, 4 + length);
      useLive.setState({
        scopes: { ...parsed, waveform: body.subarray(0, split), vectors: body.subarray(split) },
      });
      return;
    }
    const frame = parsed;
    if (this.awaitedShot && frame.shot !== this.awaitedShot) return;
    this.awaitedShot = null;
    const rgba = new Uint8ClampedArray(data, 4 + length);
    const image = new ImageData(rgba, frame.columns, frame.rows);
    const since = this.tries.answered(frame.mark);
    const seeking = useLive.getState().seeking && frame.mark < this.timeMark;
    useLive.setState({ image, frame, failure: null, seeking });
    if (since !== undefined) {
      requestAnimationFrame(() => {
        useLive.setState({ handMillis: performance.now() - since });
        this.send({ type: 'drawn', mark: frame.mark });
      });
    }
  }

  private send(message: PageMessage) {
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
    this.awaitedShot = id;
    this.send({ type: 'shot', id });
  }

  /** Shows the shoot at a time; null for what its document says at rest. */
  time(seconds: number | null) {
    if (seconds === this.seconds) return;
    this.seconds = seconds;
    if (seconds === null) this.send({ type: 'time', seconds, mark: 0 });
    else {
      this.timeMark = this.tries.add(seconds);
      useLive.setState({ seeking: true });
    }
  }

  resize(width: number, height: number) {
    this.size = { width, height };
    this.send({ type: 'size', width, height });
  }

  pause(paused: boolean) {
    useLive.setState({ paused });
    this.send({ type: 'pause', paused });
  }

  /** Lets the live picture rest for a while, so that something else has the cores. */
  rest(resting: boolean) {
    this.send({ type: 'pause', paused: resting || useLive.getState().paused });
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

  /** Opens the picture again after it failed. */
  again() {
    useLive.setState({ failure: null });
    this.send({ type: 'again' });
  }

  probe(x: number, y: number) {
    this.send({ type: 'probe', x, y });
  }

  close() {
    this.closed = true;
    clearInterval(this.pulse);
    setLivePage('');
    this.tries.drop();
    this.socket?.close();
  }
}
