import { useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { AddMenu } from '../controls/AddMenu';
import { chosenWith } from '../frame/choice';
import { useChosenShot } from '../frame/useChosenShot';
import { say, useDesk } from '../live/useShoot';
import { type Gear, gearNames, newGear } from './gear';
import { LightMark } from './LightMark';
import { newKinds, newLight, sunOf, type NewKind } from './newLight';

const KINDS = Object.keys(newKinds) as NewKind[];
const GEAR = Object.keys(gearNames) as Gear[];

/** Adds a light of a kind, or gear, placed so that it does something in what the camera sees. */
export function AddLight() {
  const desk = useDesk();
  const shot = useChosenShot();
  const client = useQueryClient();

  const addGear = async (kind: Gear) => {
    const { piece, operations } = newGear(kind, desk.state.document, shot);
    await chosenWith(desk.keep(`Add ${piece.name}`, operations), { light: null, piece: piece.id });
  };
  const add = async (kind: NewKind | Gear) => {
    if (kind in gearNames) return addGear(kind as Gear);
    const fresh = kind as NewKind;
    try {
      let picture = '';
      if (fresh === 'environment' || fresh === 'plate') {
        const from = fresh === 'plate' ? 'dusk-field' : 'studio-banks';
        picture = (await api.takePattern(desk.state.id, from)).name;
        await client.invalidateQueries({ queryKey: ['assets', desk.state.id] });
      }
      const light = newLight(fresh, desk.state.document, shot, picture);
      const more = fresh === 'sky' ? [sunOf(light, desk.state.document)] : [];
      const kept = desk.keep(
        `Add ${newKinds[fresh].name}`,
        [light, ...more].map((value) => ({ op: 'add' as const, path: '/lights/-', value })),
      );
      await chosenWith(kept, { light: light.id });
    } catch (error) {
      say(error);
    }
  };

  return (
    <AddMenu
      text="Light"
      items={[
        ...KINDS.map((kind) => ({
          kind: kind as NewKind | Gear,
          name: newKinds[kind].name,
          mark: (
            <span aria-hidden>
              <LightMark kind={kind === 'softbox' ? 'rectangle' : kind} size={18} />
            </span>
          ),
        })),
        ...GEAR.map((kind) => ({ kind, name: gearNames[kind], mark: <GearMark kind={kind} /> })),
      ]}
      onAdd={(kind) => void add(kind)}
    />
  );
}

function GearMark({ kind }: { kind: Gear }) {
  return (
    <svg width={18} height={18} viewBox="0 0 16 16" aria-hidden>
      <path
        d={kind === 'mirror' ? 'M4 2.5h8v9H4zM6 9l4-4M8 11.5V15' : 'M4 2.5h8v9H4zM8 11.5V15'}
        fill={kind === 'flag' ? 'currentColor' : 'none'}
        stroke="currentColor"
        strokeWidth="1.2"
      />
    </svg>
  );
}
