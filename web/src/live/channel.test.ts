import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { LiveChannel } from './channel';
import { useLive } from './store';

/** A socket whose other end is the test. */
class FakeSocket {
  static readonly OPEN = 1;
  static all: FakeSocket[] = [];
  readyState = 0;
  binaryType = '';
  sent: Record<string, unknown>[] = [];
  onopen: () => void = () => undefined;
  onclose: () => void = () => undefined;
  onmessage: (event: { data: unknown }) => void = () => undefined;

  constructor(readonly url: string) {
    FakeSocket.all.push(this);
  }

  opened() {
    this.readyState = 1;
    this.onopen();
  }

  close() {
    this.readyState = 3;
    this.onclose();
  }

  send(text: string) {
    this.sent.push(JSON.parse(text) as Record<string, unknown>);
  }

  says(message: object) {
    this.onmessage({ data: JSON.stringify(message) });
  }

  /** A message of bytes: length of the header, header, body. */
  shows(head: object, body: number[]) {
    const json = new TextEncoder().encode(JSON.stringify(head));
    const data = new Uint8Array(4 + json.length + body.length);
    new DataView(data.buffer).setUint32(0, json.length);
    data.set(json, 4);
    data.set(body, 4 + json.length);
    this.onmessage({ data: data.buffer });
  }
}

const happenings = {
  onChanged: vi.fn(),
  onRefused: vi.fn(),
  onDeleted: vi.fn(),
  onBack: vi.fn(),
};

const header = {
  revision: 1,
  mark: 0,
  shot: 'front',
  width: 2,
  height: 1,
  columns: 2,
  rows: 1,
  step: 1,
  samples: 3,
  denoised: false,
  rays: 5,
  mixMillis: 0,
  sinceEditMillis: 0,
};
const pixels = [1, 2, 3, 255, 4, 5, 6, 255];

let channel: LiveChannel;
const socket = () => FakeSocket.all.at(-1)!;
const types = () => socket().sent.map((m) => m.type);

beforeEach(() => {
  vi.useFakeTimers();
  FakeSocket.all = [];
  vi.stubGlobal('WebSocket', FakeSocket);
  vi.stubGlobal('location', { protocol: 'http:', host: 'here:1' });
  vi.stubGlobal('requestAnimationFrame', (then: () => void) => then());
  vi.stubGlobal(
    'ImageData',
    class {
      constructor(
        readonly data: Uint8ClampedArray,
        readonly width: number,
        readonly height: number,
      ) {}
    },
  );
  useLive.setState(useLive.getInitialState(), true);
  Object.values(happenings).forEach((h) => h.mockReset());
  channel = new LiveChannel('tide lens', happenings);
  socket().opened();
});
afterEach(() => {
  channel.close();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

test('a connection begins with all that the page has set', () => {
  expect(socket().url).toBe('ws://here:1/api/shoots/tide%20lens/live');
  expect(types()).toEqual(['pause', 'noise', 'denoise', 'view', 'scopes']);
  expect(useLive.getState().connected).toBe(true);
});

test('a frame becomes the picture, and is answered when it answers the hand', () => {
  channel.tryOut([{ op: 'replace', path: '/looks/0/ev', value: 1 }]);
  const mark = socket().sent.at(-1)!.mark;
  socket().shows({ ...header, mark }, pixels);
  const { image, frame, handMillis } = useLive.getState();
  expect([...image!.data]).toEqual(pixels);
  expect(frame!.samples).toBe(3);
  expect(handMillis).not.toBeNull();
  expect(socket().sent.at(-1)).toEqual({ type: 'drawn', mark });
});

test('frames of another shot than the one waited for are not drawn', () => {
  channel.shot('close');
  socket().shows(header, pixels);
  expect(useLive.getState().frame).toBeNull();
  socket().shows({ ...header, shot: 'close' }, pixels);
  expect(useLive.getState().frame!.shot).toBe('close');
});

test('a refusal ends the waiting for a shot', () => {
  channel.shot('gone');
  socket().says({ type: 'refused', detail: "There is no shot 'gone'." });
  expect(happenings.onRefused).toHaveBeenCalledWith("There is no shot 'gone'.");
  socket().shows(header, pixels);
  expect(useLive.getState().frame!.shot).toBe('front');
});

test('scopes are parted into waveform and vectors', () => {
  socket().shows(
    { kind: 'scopes', of: 'light', columns: 1, levels: 2 },
    [1, 2, 3, 4, 5, 6, 7, 8, 9],
  );
  const { scopes, frame } = useLive.getState();
  expect([...scopes!.waveform]).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  expect([...scopes!.vectors]).toEqual([9]);
  expect(frame).toBeNull();
});

test('a failure stands until a frame comes again', () => {
  socket().says({ type: 'failed', detail: 'There was not enough memory for this picture.' });
  expect(useLive.getState().failure).toContain('memory');
  channel.again();
  expect(types().at(-1)).toBe('again');
  socket().says({ type: 'failed', detail: 'no' });
  socket().shows(header, pixels);
  expect(useLive.getState().failure).toBeNull();
});

test('a lost connection is said, opened again and given all that was set', () => {
  channel.resize(800, 450);
  channel.shot('close');
  channel.clean(5);
  socket().close();
  expect(useLive.getState().connected).toBe(false);
  vi.advanceTimersByTime(1500);
  expect(FakeSocket.all).toHaveLength(2);
  socket().opened();
  expect(happenings.onBack).toHaveBeenCalledOnce();
  expect(socket().sent).toContainEqual({ type: 'size', width: 800, height: 450 });
  expect(socket().sent).toContainEqual({ type: 'shot', id: 'close' });
  expect(socket().sent).toContainEqual({ type: 'noise', percent: 5 });
});

test('a connection that is silent for too long is given up', () => {
  vi.advanceTimersByTime(3000);
  expect(types().filter((t) => t === 'ping')).toHaveLength(2);
  socket().says({ type: 'pong' });
  vi.advanceTimersByTime(4500);
  expect(useLive.getState().connected).toBe(true);
  vi.advanceTimersByTime(3000);
  expect(FakeSocket.all.length).toBeGreaterThan(1);
});

test('a page that fell behind reads the shoot anew, over the same connection', () => {
  socket().says({ type: 'behind' });
  expect(happenings.onBack).toHaveBeenCalledOnce();
  vi.advanceTimersByTime(4000);
  socket().says({ type: 'pong' });
  expect(FakeSocket.all).toHaveLength(1);
});

test('a deleted shoot is told once and nothing opened again', () => {
  socket().says({ type: 'deleted' });
  expect(happenings.onDeleted).toHaveBeenCalledOnce();
  vi.advanceTimersByTime(10_000);
  expect(FakeSocket.all).toHaveLength(1);
});
