import { useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { api } from '../../../api/client';
import type { Meter, Operation, Pin, Readings } from '../../../api/document';
import { disarm, useChoice } from '../../../frame/choice';
import { useLive } from '../../../live/store';
import { say, type ShootDesk, useDesk } from '../../../live/useShoot';
import { variantOf } from '../proofWords';
import { useProofChoice, useProofs } from '../useProofs';

const OFTEN_MILLIS = 1000;

/** What the meter shows. */
export const useMeterChoice = create<{ pin: string | null }>(() => ({ pin: null }));

/** What pins and picture read now, anew with every edit and once a second while it is traced. */
export function useReadings() {
  return useLiveReadings({}, true);
}

/** The same with one thing otherwise. */
function useLiveReadings(change: Record<string, string>, enabled: boolean) {
  const { state } = useDesk();
  const trying = useLive((l) => l.trial !== null);
  return useQuery({
    queryKey: ['readings', state.id, state.revision, trying, change],
    queryFn: () => api.readings(state.id, change),
    refetchInterval: trying ? OFTEN_MILLIS / 4 : OFTEN_MILLIS,
    placeholderData: (before) => before,
    enabled,
  });
}

/** One side of a comparison, with what it reads; null while it is not known. */
export interface SideReadings {
  name: string;
  readings: Readings | null | undefined;
}

/**
 * What both sides of the comparison read: the proof that is chosen, or the picture now, and what it
 * is held against. A picture from a file, and a proof without layers, cannot be read.
 */
export function useSides(): SideReadings[] {
  const { data: now } = useReadings();
  const { data: proofs = [] } = useProofs();
  const { proof, against } = useProofChoice();
  const { lights = [] } = useDesk().document;
  const chosen = useChoice((c) => c.light);
  const layered = (id: unknown) => proofs.find((p) => p.id === id && p.layerBytes > 0);
  const left = layered(proof);
  const right = against !== proof ? layered(against) : undefined;
  const variant = variantOf(against, lights.find((l) => l.id === chosen) ?? lights[0]);
  const leftRead = useProofReadings(left?.id);
  const rightRead = useProofReadings(right?.id);
  const { data: variantRead } = useLiveReadings(variant?.change ?? {}, variant !== null);
  const own = left ? { name: left.name, readings: leftRead } : { name: 'Now', readings: now };
  if (right) return [own, { name: right.name, readings: rightRead }];
  if (variant) return [own, { name: variant.text, readings: variantRead }];
  return left ? [own, { name: 'Now', readings: now }] : [own];
}

function useProofReadings(id: number | undefined) {
  const { document } = useDesk();
  return useQuery({
    queryKey: ['proof readings', id, JSON.stringify(document.meter.pins)],
    queryFn: () => api.proofReadings(id!),
    enabled: id !== undefined,
    staleTime: Infinity,
    retry: false,
  }).data;
}

/** The operation that sets a part of the meter. */
export function setMeter<K extends keyof Meter>(part: K, value: Meter[K]): Operation {
  return { op: 'replace', path: `/meter/${part}`, value };
}

/** Adds a pin at a place of the picture, 0…1 each way. */
export async function addPin(desk: ShootDesk, x: number, y: number) {
  try {
    const pin = await api.pinAt(desk.state.id, x, y);
    if (!pin) return;
    useMeterChoice.setState({ pin: pin.id });
    await desk.keep(`Pin on ${pin.name}`, [{ op: 'add', path: '/meter/pins/-', value: pin }]);
  } catch (error) {
    say(error);
  }
}

/** The next click on the picture adds a pin. */
export function armPin(desk: ShootDesk) {
  useChoice.setState({
    armed: {
      what: 'Click where light is to be read',
      take: (x, y) => {
        disarm();
        void addPin(desk, x, y);
      },
    },
  });
}

/** Moves a pin to another place of the picture. */
export async function movePin(desk: ShootDesk, pin: Pin, x: number, y: number) {
  try {
    const there = await api.pinAt(
      desk.state.id,
      Math.min(1, Math.max(0, x)),
      Math.min(1, Math.max(0, y)),
    );
    const index = desk.state.document.meter.pins.findIndex((p) => p.id === pin.id);
    if (!there || index < 0) return;
    const value = { ...pin, piece: there.piece, position: there.position, normal: there.normal };
    await desk.keep(`Move ${pin.name}`, [{ op: 'replace', path: `/meter/pins/${index}`, value }]);
  } catch (error) {
    say(error);
  }
}

/** Operations that take a pin away, with the targets that read it. */
export function withoutPin(meter: Meter, id: string): Operation[] {
  const targets = meter.targets.filter((t) => t.pin !== id && t.other !== id);
  return [
    setMeter(
      'pins',
      meter.pins.filter((p) => p.id !== id),
    ),
    ...(targets.length < meter.targets.length ? [setMeter('targets', targets)] : []),
  ];
}
