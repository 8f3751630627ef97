import type { components } from './generated/api';
import type { Light, Look, Piece, Shape as AnyShape, ShootDocument } from './generated/document';

/** Names for the generated types, which come from the document's schema and the interface's description. */
export type {
  Bank,
  Daylight,
  Doors,
  Emitter,
  Gobo,
  Light,
  Look,
  Maps,
  Material,
  Piece,
  Profile,
  Scope,
  ShootDocument,
  Shot,
  Texture,
  Vector,
} from './generated/document';

export type Schemas = components['schemas'];

/** What is measured of a shoot, and wanted. */
export type Meter = ShootDocument['meter'];
export type Pin = Meter['pins'][number];
export type Target = Meter['targets'][number];
export type FaderRange = Meter['faders'][number];
export type Readings = Schemas['Readings'];
export type PinReading = Schemas['PinReading'];
export type Incident = Schemas['Incident'];
export type LightPart = Schemas['LightPart'];
export type Solved = Schemas['Solved'];
export type Outcome = Schemas['Outcome'];
export type Matched = Schemas['Matched'];

/** A region of the picture and one of a reference that it is to look like, 0…1 each way. */
export interface RegionPair {
  x: number;
  y: number;
  referenceX: number;
  referenceY: number;
  /** Side, as a share of each picture's width. */
  size: number;
}
export type Findings = Schemas['Answer'];
export type Finding = Schemas['ShownFinding'];

/** A shape of any kind, whose dimensions are looked up by name. */
export type Shape = { kind: AnyShape['kind'] } & Record<string, unknown>;
type ShapeOf<K extends AnyShape['kind']> = Extract<AnyShape, { kind: K }>;
/** A corner of a lathe's profile. */
export type Corner = ShapeOf<'lathe'>['profile'][number];
/** A point of a tube. */
export type TubePoint = Extract<ShapeOf<'tube'>, { points: unknown }>['points'][number];
/** An opening in a wall of a room. */
export type Opening = ShapeOf<'room'>['openings'][number];
/** Open water. */
export type WaterShape = ShapeOf<'water'>;
export type RippleRing = WaterShape['ripples'][number];
export type FineRipples = NonNullable<WaterShape['fine']>;
export type Copies = NonNullable<Piece['copies']>;
export type Visibility = Piece['visibility'];
export type Brightness = Light['brightness'];
export type Glow = Look['glows'][number];
export type Unit = Brightness['unit'];
export type GlowSource = Glow['source']['kind'];
export type Grade = Look['grade'];
export type Wheels = Grade['wheels'];
export type CurvePoint = Grade['curves']['all'][number];

export type ShootState = Omit<Schemas['State'], 'document'> & { document: ShootDocument };
export type Imported = Omit<Schemas['Imported'], 'state'> & { state: ShootState };
export type ShootTitle = Schemas['Title'];

/** One operation of JSON Patch (RFC 6902). */
export type Operation = Schemas['Operation'];

/** What a picture suggests as exposure; the spot where one was asked for. */
export type Metering = Omit<Schemas['Metering'], 'spot'> & { spot: number | null };

export type FrameOrder = Schemas['FrameOrder'];
export type MovieFormat = FrameOrder['movies'][number];
/** An order of a still at rest has no frames. */
export type PrintOrder = Omit<Schemas['PrintOrder'], 'frames'> & { frames: FrameOrder | null };
export type PrintPass = PrintOrder['passes'][number];
export type PrintFormat = PrintOrder['formats'][number];
export type PrintEstimate = Schemas['Estimate'];

type Unknown = 'ended' | 'noisePercent' | 'secondsLeft' | 'factor' | 'doing' | 'detail';
/** A job of the print room; some things are not known at all times. */
export type PrintJob = Omit<Schemas['Job'], Unknown | 'order'> & {
  [K in Unknown]: Schemas['Job'][K] | null;
} & { order: PrintOrder };

/** A kept picture; its noise may not have been known when it was taken. */
export type Proof = Omit<Schemas['Proof'], 'noisePercent' | 'seconds'> & {
  noisePercent: number | null;
  /** The time at which a shoot that moves was shown. */
  seconds: number | null;
};
/** A value, or a whole entry, that differs between the shoot now and a proof's. */
export interface ProofChange {
  place: string;
  now: unknown;
  other: unknown;
  operations: unknown;
}

export type Motion = ShootDocument['motion'];
export type Track = Motion['tracks'][number];
export type Key = Track['keys'][number];
export type KeyValue = Key['value'];
export type Span = Key['span'];
