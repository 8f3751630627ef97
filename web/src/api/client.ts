import type { At } from '../frame/choice';
import type {
  Brightness,
  Findings,
  Incident,
  Imported,
  Emitter,
  Grade,
  Look,
  Matched,
  RegionPair,
  Material,
  Metering,
  Operation,
  Pin,
  PrintEstimate,
  PrintJob,
  PrintOrder,
  Profile,
  Proof,
  ProofChange,
  Readings,
  Schemas,
  ShootState,
  ShootTitle,
  Solved,
  Unit,
  WaterShape,
  Wheels,
} from './document';

/** An answer of the server that says no: what happened, what was kept, what to do (RFC 9457). */
export class Problem extends Error {
  constructor(
    readonly code: string,
    detail: string,
    readonly kept: string,
    readonly todo: string,
  ) {
    super(detail);
  }
}

/** The problem that a response tells. */
export async function problemOf(response: Response): Promise<Problem> {
  const body = (await response.json().catch(() => ({}))) as Record<string, string>;
  return new Problem(
    body.code ?? `${response.status}`,
    body.detail ?? 'The application did not answer as expected.',
    body.kept ?? 'The shoot is as it was.',
    body.todo ?? 'Try again.',
  );
}

async function answer<T>(response: Response): Promise<T> {
  if (response.ok) {
    return (await response.json()) as T;
  }
  throw await problemOf(response);
}

/** A response, or a problem when nobody answers. */
export async function reached(request: Promise<Response>): Promise<Response> {
  try {
    return await request;
  } catch {
    throw new Problem(
      'unreachable',
      'The application does not answer.',
      'Everything up to your last change is kept.',
      'Start it again, then go on here.',
    );
  }
}

function post(url: string, body: unknown): Promise<Response> {
  return reached(
    fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    }),
  );
}

/** What a light is to do at a place of the picture. */
export type Effect = 'highlight' | 'shadow' | 'rim';

/** What a match goes by, in the address, as the picture is the body. */
const matchQuery = (pairs: RegionPair[], turn: string | null) =>
  new URLSearchParams({
    page: livePage,
    pairs: JSON.stringify(pairs),
    turn: turn ?? '',
  }).toString();

const shoot = (id: string) => `/api/shoots/${encodeURIComponent(id)}`;

let livePage = '';

/** Sets the name under which the live channel knows this page: its pictures are asked for by it. */
export function setLivePage(name: string) {
  livePage = name;
}

/** An address under the shoot's live picture, as this page shows it. */
function live(id: string, path: string, query: Record<string, string> = {}) {
  const text = new URLSearchParams(livePage ? { ...query, page: livePage } : query).toString();
  return `${shoot(id)}/live/${path}${text ? `?${text}` : ''}`;
}

/** A picture of the shelf. */
export type Pattern = Schemas['Pattern'];

/** How far a light's caustics are seen in the live picture, and what stands against them. */
export type LiveCaustics = Omit<Schemas['LiveCaustics'], 'drownedBy' | 'thrownBy' | 'survey'> & {
  drownedBy: string | null;
  thrownBy: string | null;
  survey: Omit<Schemas['CausticSurvey'], 'focus'> & { focus: Schemas['Focus'] | null };
};

/** What was done so that a light or a piece throws caustics. */
export type CausticStep = Schemas['CausticStep'];
export type FrameFlicker = Schemas['FrameFlicker'];

/** A move as operations, and the places that they key. */
export interface KeyedMove {
  operations: Operation[];
  places: string[];
}

export interface CausticSetup {
  operations: Operation[];
  steps: CausticStep[];
}

/** A look that is kept for all shoots. */
export type KeptLook = Omit<Schemas['Entry'], 'look'> & { look: Look };

export const api = {
  titles: async () => answer<ShootTitle[]>(await reached(fetch('/api/shoots'))),
  state: async (id: string) => answer<ShootState>(await reached(fetch(shoot(id)))),
  edit: async (id: string, revision: number, label: string, operations: Operation[]) =>
    answer<ShootState>(await post(`${shoot(id)}/edits`, { revision, label, operations })),
  setDown: async (id: string, revision: number, piece: string) =>
    answer<ShootState>(
      await post(`${shoot(id)}/pieces/${encodeURIComponent(piece)}/down`, { revision }),
    ),
  undo: async (id: string, revision: number) =>
    answer<ShootState>(await post(`${shoot(id)}/undo`, { revision })),
  redo: async (id: string, revision: number) =>
    answer<ShootState>(await post(`${shoot(id)}/redo`, { revision })),
  /** Makes a shoot with an even dome and a shot. */
  newShoot: async (name: string) =>
    answer<ShootState>(await post(`/api/shoots/begun?name=${encodeURIComponent(name)}`, {})),
  copy: async (id: string) => answer<ShootState>(await post(`${shoot(id)}/copies`, {})),
  /** Deletes a shoot; this cannot be taken back. */
  deleteShoot: async (id: string) => {
    const response = await reached(fetch(shoot(id), { method: 'DELETE' }));
    if (!response.ok) await answer(response);
  },
  importShoot: async (file: Blob) =>
    answer<ShootState>(
      await reached(
        fetch('/api/shoots', {
          method: 'POST',
          headers: { 'content-type': 'application/octet-stream' },
          body: file,
        }),
      ),
    ),
  addAsset: async (id: string, file: File) =>
    answer<Schemas['Added']>(
      await reached(
        fetch(`${shoot(id)}/assets?name=${encodeURIComponent(file.name)}`, {
          method: 'POST',
          headers: { 'content-type': 'application/octet-stream' },
          body: file,
        }),
      ),
    ),
  importModel: async (id: string, revision: number, metresPerUnit: number, file: File) =>
    answer<Imported>(
      await reached(
        fetch(
          `${shoot(id)}/models?${new URLSearchParams({
            name: file.name,
            revision: `${revision}`,
            metresPerUnit: `${metresPerUnit}`,
          }).toString()}`,
          {
            method: 'POST',
            headers: { 'content-type': 'application/octet-stream' },
            body: file,
          },
        ),
      ),
    ),
  /** How far an import has got; null when there is none. */
  importProgress: async (id: string) => {
    const response = await reached(fetch(`${shoot(id)}/models/progress`));
    return response.status === 204 ? null : answer<Schemas['Progress']>(response);
  },
  shelf: async () =>
    answer<{ group: string; material: Material }[]>(await reached(fetch('/api/shelf/materials'))),
  waterShelf: async () =>
    answer<{ shape: WaterShape; material: Material }[]>(await reached(fetch('/api/shelf/waters'))),
  /** What a light or a piece needs to throw caustics, and the operations that do it. */
  causticSetup: async (id: string, of: { light: string } | { piece: string; shot: string }) =>
    answer<CausticSetup>(await post(`${shoot(id)}/caustics`, of)),
  /** A small frame of a shoot that moves. */
  draftFrame: async (id: string, shot: string, frame: number, width: number, end: AbortSignal) => {
    const query = new URLSearchParams({ shot, width: `${width}` });
    const response = await reached(
      fetch(`${shoot(id)}/motion/frames/${frame}.jpg?${query.toString()}`, { signal: end }),
    );
    if (!response.ok) throw await problemOf(response);
    return createImageBitmap(await response.blob());
  },
  /** The tracks of a move, as operations. */
  moveKeys: async (id: string, move: Schemas['Move']) =>
    answer<KeyedMove>(await post(`${shoot(id)}/motion/moves`, move)),
  /** The same of a light's level that follows a sound. */
  soundKeys: async (
    id: string,
    of: { light: string; stops: number; firstFrame: number; lastFrame: number },
    sound: Blob,
  ) => {
    const query = new URLSearchParams(Object.entries(of).map(([k, v]) => [k, `${v}`]));
    return answer<KeyedMove>(
      await reached(
        fetch(`${shoot(id)}/motion/sound?${query.toString()}`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/octet-stream' },
          body: sound,
        }),
      ),
    );
  },
  /** How far a light's caustics are seen; null where it casts none. */
  caustics: async (id: string, light: string) => {
    const response = await reached(fetch(live(id, 'caustics', { light })));
    return response.status === 204 ? null : answer<LiveCaustics>(response);
  },
  pictureShelf: async () => answer<Pattern[]>(await reached(fetch('/api/shelf/pictures'))),
  patternUrl: (id: string) => `/api/shelf/pictures/${encodeURIComponent(id)}.png`,
  takePattern: async (id: string, pattern: string) =>
    answer<{ name: string }>(
      await post(`${shoot(id)}/assets/from-shelf/${encodeURIComponent(pattern)}`, {}),
    ),
  /** How large a piece is, with all that stands in it. */
  size: async (id: string, piece: string) =>
    answer<Omit<Schemas['TrueSize'], 'metres'> & { metres: number[] | null }>(
      await reached(fetch(`${shoot(id)}/pieces/${encodeURIComponent(piece)}/size`)),
    ),
  /** What stands at a place of the picture; null where nothing does. */
  at: async (id: string, x: number, y: number) => {
    const response = await reached(fetch(live(id, 'at', { x: `${x}`, y: `${y}` })));
    return response.status === 204 ? null : answer<At>(response);
  },
  /** A brightness of a kind of light said in another unit. */
  brightness: async (emitter: Emitter, given: Brightness, to: Unit) =>
    answer<Brightness>(await post('/api/brightness', { emitter, ...given, to })),
  gels: async () => answer<Schemas['Gel'][]>(await reached(fetch('/api/shelf/gels'))),
  gobos: async () =>
    answer<{ id: string; name: string }[]>(await reached(fetch('/api/shelf/gobos'))),
  environments: async () =>
    answer<Schemas['Panorama'][]>(await reached(fetch('/api/shelf/environments'))),
  /** Reads a photometric file. */
  profile: async (file: File) =>
    answer<Omit<Schemas['Read'], 'profile'> & { profile: Profile }>(
      await reached(
        fetch(`/api/profiles?name=${encodeURIComponent(file.name)}`, {
          method: 'POST',
          headers: { 'content-type': 'application/octet-stream' },
          body: file,
        }),
      ),
    ),
  /** What a picture can do as an environment. */
  environment: async (id: string, picture: string) =>
    answer<Schemas['EnvironmentReading']>(
      await reached(fetch(`${shoot(id)}/environment?picture=${encodeURIComponent(picture)}`)),
    ),
  daylight: async (id: string, light: string) =>
    answer<Schemas['Sun']>(
      await reached(fetch(`${shoot(id)}/lights/${encodeURIComponent(light)}/daylight`)),
    ),
  plan: async (id: string) => answer<Schemas['Outline'][]>(await reached(fetch(live(id, 'plan')))),
  /** Where a light has to stand to do something at a place of the picture; null where nothing is. */
  placing: async (
    id: string,
    light: string,
    does: Effect,
    x: number,
    y: number,
    from?: [number, number],
  ) => {
    const query: Record<string, string> = { light, does, x: `${x}`, y: `${y}` };
    if (from) {
      query.fromX = `${from[0]}`;
      query.fromY = `${from[1]}`;
    }
    const response = await reached(fetch(live(id, 'placing', query)));
    return response.status === 204 ? null : answer<Schemas['Placing']>(response);
  },
  seamUrl: (id: string, picture: string, share: number) =>
    `${shoot(id)}/seam.png?${new URLSearchParams({ picture, share: `${share}` }).toString()}`,
  grades: async () =>
    answer<(Omit<Schemas['Preset'], 'grade'> & { grade: Grade })[]>(
      await reached(fetch('/api/shelf/grades')),
    ),
  /** The colour and pattern of a light, by its number, in the view of lights. */
  lightPatternUrl: (number: number) => `/api/light-patterns/${number}.png`,
  /** Colours of the view in stops. */
  stops: async () => answer<Schemas['Band'][]>(await reached(fetch('/api/stops'))),
  keptLooks: async () => answer<KeptLook[]>(await reached(fetch('/api/shelf/looks'))),
  keepLook: async (id: string, look: string) =>
    answer<KeptLook>(await post('/api/shelf/looks', { shoot: id, look })),
  forgetLook: async (kept: string) => {
    const url = `/api/shelf/looks/${encodeURIComponent(kept)}`;
    const response = await reached(fetch(url, { method: 'DELETE' }));
    if (!response.ok) await answer(response);
  },
  /** A kept look as it can be put into the shoot. */
  takeLook: async (id: string, kept: string) =>
    answer<Look>(await post(`${shoot(id)}/looks/from-shelf/${encodeURIComponent(kept)}`, {})),
  /** Exposure values that would suit the picture. */
  metering: async (id: string, x: number, y: number) =>
    answer<Metering>(await reached(fetch(live(id, 'metering', { x: `${x}`, y: `${y}` })))),
  /** The white balance that shows a place of the picture as a grey. */
  neutral: async (id: string, x: number, y: number) =>
    answer<Schemas['WhiteBalance']>(
      await reached(fetch(live(id, 'neutral', { x: `${x}`, y: `${y}` }))),
    ),
  /** The wheels of a colour decision list. */
  cdl: async (file: File) =>
    answer<Wheels>(
      await reached(
        fetch('/api/cdl', {
          method: 'POST',
          headers: { 'content-type': 'application/octet-stream' },
          body: file,
        }),
      ),
    ),
  gradeUrl: (id: string, look: string, end: 'cube' | 'cdl') =>
    `${shoot(id)}/looks/${encodeURIComponent(look)}/grade.${end}`,
  /** The picture through a look, small; through another grade, or a kept look instead. */
  throughUrl: (id: string, look: string, version: string, other?: Record<string, string>) =>
    live(id, `looks/${encodeURIComponent(look)}.jpg`, { ...other, v: version }),
  ballUrl: (material: string) => `/api/shelf/materials/${encodeURIComponent(material)}.png`,
  /** What pins and picture read; null before there is a whole sample. */
  /** What pins and picture read, or with one thing otherwise; null before there is a sample. */
  readings: async (id: string, change: Record<string, string> = {}): Promise<Readings | null> => {
    const query = new URLSearchParams({ ...change, page: livePage }).toString();
    const response = await reached(fetch(`${shoot(id)}/meter?${query}`));
    return response.status === 204 ? null : answer<Readings>(response);
  },
  /** A pin at a place of the picture, 0…1 each way; null where nothing stands. */
  pinAt: async (id: string, x: number, y: number): Promise<Pin | null> => {
    const at = new URLSearchParams({ page: livePage, x: String(x), y: String(y) });
    const response = await reached(fetch(`${shoot(id)}/meter/pin?${at}`));
    return response.status === 204 ? null : answer<Pin>(response);
  },
  /** What is probably not meant in the light; null before there is a whole sample. */
  findings: async (id: string): Promise<Findings | null> => {
    const response = await reached(
      fetch(`${shoot(id)}/findings?page=${encodeURIComponent(livePage)}`),
    );
    return response.status === 204 ? null : answer<Findings>(response);
  },
  /** The light that arrives at a pin; this traces. */
  incident: async (id: string, pin: string) =>
    answer<Incident>(
      await reached(
        fetch(`${shoot(id)}/meter/incident?${new URLSearchParams({ page: livePage, pin })}`),
      ),
    ),
  /** Levels that meet the targets best; nothing is changed. */
  solveTargets: async (id: string) =>
    answer<Solved>(
      await post(`${shoot(id)}/meter/solution?page=${encodeURIComponent(livePage)}`, {}),
    ),
  proofs: async (id: string) => answer<Proof[]>(await reached(fetch(`${shoot(id)}/proofs`))),
  takeProof: async (id: string) =>
    answer<Proof>(await post(`${shoot(id)}/proofs?page=${encodeURIComponent(livePage)}`, {})),
  /** What the shoot's pins of now read in a proof. */
  proofReadings: async (id: number) =>
    answer<Readings>(await reached(fetch(`/api/proofs/${id}/readings`))),
  writeProof: async (id: number, written: Schemas['Written']) =>
    answer<Proof>(
      await reached(
        fetch(`/api/proofs/${id}`, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(written),
        }),
      ),
    ),
  deleteLayers: async (id: number) =>
    answer<Proof>(await reached(fetch(`/api/proofs/${id}/layers`, { method: 'DELETE' }))),
  deleteProof: async (id: number) => {
    const response = await reached(fetch(`/api/proofs/${id}`, { method: 'DELETE' }));
    if (!response.ok) throw await problemOf(response);
  },
  /**
   * Levels with which the picture comes nearest to another, by regions that are paired, else by its
   * tones, and with a surrounding turned where one is named; nothing is changed.
   */
  matchReference: async (id: string, picture: File, pairs: RegionPair[], turn: string | null) =>
    answer<Matched>(
      await reached(
        fetch(`${shoot(id)}/meter/match?${matchQuery(pairs, turn)}`, {
          method: 'POST',
          headers: { 'content-type': 'application/octet-stream' },
          body: picture,
        }),
      ),
    ),
  /** The live picture with one thing otherwise. */
  variantUrl: (id: string, change: Record<string, string>, version: number) =>
    `${shoot(id)}/live/variant.jpg?${new URLSearchParams({
      page: livePage,
      ...change,
      v: String(version),
    })}`,
  proofPictureUrl: (id: number) => `/api/proofs/${id}/picture.png`,
  /** The proof's layers with the levels, colours and looks of a revision of the shoot. */
  proofDevelopedUrl: (id: number, revision: number) =>
    `/api/proofs/${id}/developed.jpg?v=${revision}`,
  /** By how many stops the picture now, or another proof, is brighter. */
  proofDifferenceUrl: (id: number, other: number | null, version: number) =>
    `/api/proofs/${id}/difference.png?${new URLSearchParams({
      ...(other === null ? { page: livePage } : { other: String(other) }),
      v: String(version),
    }).toString()}`,
  proofChanges: async (id: number) =>
    answer<ProofChange[]>(await reached(fetch(`/api/proofs/${id}/changes`))),
  /** What brings the shoot, or a part of it, back to what it was. */
  proofOperations: async (id: number, part: 'all' | 'rig' | 'set' | 'look') =>
    answer<Operation[]>(await reached(fetch(`/api/proofs/${id}/operations?part=${part}`))),
  prints: async () => answer<PrintJob[]>(await reached(fetch('/api/prints'))),
  printFolder: async () => answer<Schemas['Folder']>(await reached(fetch('/api/prints/folder'))),
  estimatePrint: async (id: string, order: PrintOrder) =>
    answer<PrintEstimate>(await post(`${shoot(id)}/prints/estimate`, order)),
  orderPrint: async (id: string, order: PrintOrder) =>
    answer<PrintJob>(await post(`${shoot(id)}/prints`, order)),
  actOnPrint: async (id: number, action: 'pause' | 'resume' | 'stop' | 'retry' | 'first') =>
    answer<PrintJob>(await post(`/api/prints/${id}/${action}`, {})),
  printFurther: async (id: number, target: Schemas['Target']) =>
    answer<PrintJob>(await post(`/api/prints/${id}/further`, target)),
  flickerOf: async (id: number) =>
    answer<FrameFlicker>(await reached(fetch(`/api/prints/${id}/flicker`))),
  refreshPrint: async (id: number) => answer<PrintJob>(await post(`/api/prints/${id}/refresh`, {})),
  developPrint: async (id: number) => answer<string[]>(await post(`/api/prints/${id}/develop`, {})),
  openPrint: async (id: number) => answer<{ id: string }>(await post(`/api/prints/${id}/open`, {})),
  deletePrint: async (id: number) => {
    const response = await reached(fetch(`/api/prints/${id}`, { method: 'DELETE' }));
    if (!response.ok) throw await problemOf(response);
  },
  printPictureUrl: (job: PrintJob) =>
    `/api/prints/${job.id}/picture.jpg?v=${job.picture}-${job.ended ?? ''}`,
  sheetUrl: (id: string, what: 'shots' | 'lights', shot?: string) =>
    `${shoot(id)}/${what}.pdf${shot ? `?shot=${encodeURIComponent(shot)}` : ''}`,
  printFileUrl: (id: number, number: number) => `/api/prints/${id}/file?number=${number}`,

  assets: async (id: string) => answer<string[]>(await reached(fetch(`${shoot(id)}/assets`))),
  modelUrl: (id: string) => `${shoot(id)}/model.glb`,
  packageUrl: (id: string) => `${shoot(id)}/package`,
  pictureUrl: (id: string, name: string, query: Record<string, string> = {}) =>
    live(id, name, query),
  /** Whether changes are kept, and why not. */
  storage: async () => answer<Schemas['Storage']>(await reached(fetch('/api/storage'))),
  shotUrl: (id: string, shot: string, version: string) =>
    live(id, `shots/${encodeURIComponent(shot)}.jpg`, { width: '192', v: version }),
  layerUrl: (id: string, light: string, version: string) =>
    live(id, `layers/${encodeURIComponent(light)}.jpg`, { width: '168', v: version }),
};
