import type { Operation, Shot } from '../api/document';
import { PlainMenu } from '../controls/PlainMenu';
import { freeId } from '../desk/newLight';
import { withoutTracks } from '../desk/withoutTracks';
import { useDesk } from '../live/useShoot';
import { chosenWith, useChoice } from './choice';
import { useChosenShot } from './useChosenShot';

/** Chooses a shot, copies the one that is shown, or takes it away. */
export function ShotMenu() {
  const desk = useDesk();
  const shot = useChosenShot();
  const { shots } = desk.state.document;

  const copy = async () => {
    const names = new Set(shots.map((s) => s.name));
    let name = `${shot.name} copy`;
    for (let i = 2; names.has(name); i++) name = `${shot.name} copy ${i}`;
    const value: Shot = { ...shot, id: freeId(shot.id, shots), name };
    const operations: Operation[] = [{ op: 'add', path: '/shots/-', value }];
    const kept = desk.keep(`Copy shot ${shot.name}`, operations);
    await chosenWith(kept, { shot: value.id, room: 'set', piece: null });
  };
  const remove = async () => {
    const index = shots.findIndex((s) => s.id === shot.id);
    const next = shots[index === 0 ? 1 : index - 1]!;
    useChoice.setState({ shot: next.id });
    await desk.keep(`Delete shot ${shot.name}`, [
      ...withoutTracks('shots', new Set([shot.id]), desk.state.document),
      { op: 'remove', path: `/shots/${index}` },
    ]);
  };

  return (
    <PlainMenu
      label="Shot"
      text={shot.name}
      items={[
        ...desk.document.shots.map((s) => ({
          text: s.name,
          chosen: s.id === shot.id,
          onClick: () => useChoice.setState({ shot: s.id }),
        })),
        { text: `Copy “${shot.name}”`, onClick: () => void copy() },
        ...(shots.length > 1
          ? [{ text: `Delete “${shot.name}”`, onClick: () => void remove() }]
          : []),
      ]}
    />
  );
}
