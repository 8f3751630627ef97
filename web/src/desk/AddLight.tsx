import { AddMenu } from '../controls/AddMenu';
import { useChoice } from '../frame/choice';
import { useDesk } from '../live/useShoot';
import { kindNames, LightMark } from './LightMark';
import { newLight, type NewKind } from './newLight';

const KINDS: NewKind[] = ['rectangle', 'sphere', 'point', 'dome'];

/** Adds a light of a kind, placed so that it lights what the camera looks at. */
export function AddLight() {
  const desk = useDesk();
  const shotId = useChoice((c) => c.shot);

  const add = async (kind: NewKind) => {
    const shots = desk.state.document.shots;
    const shot = shots.find((s) => s.id === shotId) ?? shots[0]!;
    const light = newLight(kind, desk.state.document, shot);
    const done = await desk.keep(`Add ${light.name}`, [
      { op: 'add', path: '/lights/-', value: light },
    ]);
    if (done) useChoice.setState({ light: light.id });
  };

  return (
    <AddMenu
      text="Light"
      items={KINDS.map((kind) => ({
        kind,
        name: kindNames[kind],
        mark: <LightMark kind={kind} size={18} />,
      }))}
      onAdd={(kind) => void add(kind)}
    />
  );
}
