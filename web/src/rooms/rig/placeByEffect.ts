import { api, type Effect } from '../../api/client';
import type { Light, Operation, Vector } from '../../api/document';
import { setField } from '../../api/patch';
import { useChoice } from '../../frame/choice';
import { say, type ShootDesk } from '../../live/useShoot';

const WORDS: Record<Effect, string> = {
  highlight: 'Point at where the highlight of',
  shadow: 'Point at where the shadow of',
  rim: 'Point at the edge that gets the rim of',
};

const tidy = (v: { x: number; y: number; z: number }): Vector =>
  [v.x, v.y, v.z].map((x) => Math.round(x * 1e5) / 1e5) as Vector;

/**
 * Arms the pointer to place a light by what it should do: the picture follows it, a click takes
 * it, Esc leaves it as it was.
 */
export function placeByEffect(desk: ShootDesk, light: Light, effect: Effect) {
  if (effect === 'shadow') {
    useChoice.setState({
      armed: {
        what: 'Point at what casts the shadow',
        take: (x, y) => follow(desk, light, effect, [x, y]),
      },
    });
  } else {
    follow(desk, light, effect);
  }
}

function follow(desk: ShootDesk, light: Light, effect: Effect, from?: [number, number]) {
  let wanted: [number, number] | null = null;
  let busy = false;
  const find = async (x: number, y: number): Promise<Operation[] | null> => {
    const found = await api.placing(desk.state.id, light.id, effect, x, y, from);
    if (!found) return null;
    const set = (field: string, value: unknown) =>
      setField(desk.state.document, 'lights', light.id, field, value);
    return [
      set('position', tidy(found.position)),
      set('aim', tidy(found.aim)),
      ...(light.aimedAt ? [set('aimedAt', null)] : []),
    ];
  };
  const mine = {
    what: `${WORDS[effect]} ${light.name}${effect === 'rim' ? '' : ' falls'}`,
    hover: (x: number, y: number) => {
      wanted = [x, y];
      if (!busy) void chase();
    },
    take: (x: number, y: number) => void keep(x, y),
    leave: () => desk.leave(),
  };
  const chase = async () => {
    busy = true;
    try {
      while (wanted && useChoice.getState().armed === mine) {
        const [x, y] = wanted;
        wanted = null;
        const operations = await find(x, y);
        if (operations && useChoice.getState().armed === mine) desk.tryOut(operations);
      }
    } catch (error) {
      useChoice.setState({ armed: null });
      say(error);
    } finally {
      busy = false;
    }
  };
  const keep = async (x: number, y: number) => {
    useChoice.setState({ armed: null });
    try {
      const operations = await find(x, y);
      if (!operations) desk.leave();
      else
        await desk.keep(
          `${effect === 'rim' ? 'Rim' : `The ${effect}`} of ${light.name}`,
          operations,
        );
    } catch (error) {
      desk.leave();
      say(error);
    }
  };
  useChoice.setState({ armed: mine });
}
