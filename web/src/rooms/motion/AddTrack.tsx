import AddIcon from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import type { ShootDocument } from '../../api/document';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { toggled } from '../../motion/keying';
import { placeName, valueName } from '../../motion/names';
import { keyablePaths, valueOf } from '../../motion/place';
import { secondsOf, useTime } from '../../motion/time';
import { useMotion } from './motionChoice';

interface Thing {
  list: 'lights' | 'pieces' | 'materials' | 'banks' | 'shots' | 'looks';
  id: string;
  name: string;
  kind: string;
}

const KINDS: [Thing['list'], string][] = [
  ['lights', 'Lights'],
  ['shots', 'Cameras'],
  ['pieces', 'Pieces'],
  ['materials', 'Materials'],
  ['banks', 'Banks'],
  ['looks', 'Looks'],
];

/** What of a thing is wanted most, first. */
const FIRST = [
  'levelStops',
  'position',
  'rotationDegrees',
  'aim',
  'scale',
  'colour/kelvin',
  'brightness/value',
  'shape/seconds',
  'focalLengthMm',
  'focusDistance',
  'fStop',
  'ev',
  'emission/value',
  'muted',
  'shown',
];

/** The ways to what can be keyed of an entry, what is wanted most first. */
export function offered(entry: unknown): string[] {
  const rank = (way: string) => {
    const i = FIRST.indexOf(way);
    return i < 0 ? FIRST.length : i;
  };
  return keyablePaths(entry).sort(
    (a, b) => rank(a) - rank(b) || valueName(a).localeCompare(valueName(b)),
  );
}

function things(document: ShootDocument): Thing[] {
  return KINDS.flatMap(([list, kind]) =>
    document[list].map((entry) => ({ list, id: entry.id, name: entry.name, kind })),
  );
}

interface PickerProps {
  text: string;
  /** Places that are not offered. */
  taken: Set<string>;
  /** Offers only values of this kind, where one is given. */
  fits?: (value: unknown) => boolean;
  onPick: (place: string) => void;
}

/** A button that chooses any value of any thing: first the thing, then the value. */
export function PlacePicker({ text, taken, fits, onPick }: PickerProps) {
  const { document } = useDesk();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [thing, setThing] = useState<Thing | null>(null);
  const close = () => {
    setAnchor(null);
    setThing(null);
  };
  const pick = (way: string) => {
    close();
    onPick(`${thing!.list}/${thing!.id}/${way}`);
  };
  const all = things(document);
  const chosen = useChoice.getState();
  const first = all.filter((t) => t.id === chosen.light || t.id === chosen.piece);
  const entry = thing && document[thing.list].find((e) => e.id === thing.id);
  return (
    <>
      <Button
        color="inherit"
        startIcon={<AddIcon />}
        aria-haspopup="menu"
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{ height: 18, fontSize: 11, px: 0.5, minWidth: 0 }}
      >
        {text}
      </Button>
      <Menu
        open={anchor !== null}
        anchorEl={anchor}
        onClose={close}
        slotProps={{ paper: { sx: { maxHeight: 420, width: 260 } } }}
      >
        {thing && entry
          ? [
              <ListSubheader key="of" sx={{ lineHeight: '28px', bgcolor: 'inherit' }}>
                {thing.name}: what of it?
              </ListSubheader>,
              ...offered(entry)
                .filter((way) => !taken.has(`${thing.list}/${thing.id}/${way}`))
                .filter(
                  (way) => !fits || fits(valueOf(document, `${thing.list}/${thing.id}/${way}`)),
                )
                .map((way) => (
                  <MenuItem key={way} onClick={() => pick(way)}>
                    {valueName(way)}
                  </MenuItem>
                )),
            ]
          : [...first, ...all.filter((t) => !first.includes(t))].map((t, i, list) => [
              (i === 0 || list[i - 1]!.kind !== t.kind) && !first.includes(t) ? (
                <ListSubheader key={t.kind} sx={{ lineHeight: '28px', bgcolor: 'inherit' }}>
                  {t.kind}
                </ListSubheader>
              ) : null,
              <MenuItem key={`${t.list}/${t.id}`} onClick={() => setThing(t)}>
                {t.name}
              </MenuItem>,
            ])}
      </Menu>
    </>
  );
}

/** Sets the first key of any value of any thing. */
export function AddTrack() {
  const desk = useDesk();
  const { tracks, links } = desk.document.motion;
  const add = async (place: string) => {
    const seconds = secondsOf(desk.state.document.motion, useTime.getState().frame);
    const { thing, value } = placeName(desk.document, place);
    const keys = toggled(desk.state.document, [place], seconds);
    if (await desk.keep(`Key ${thing}, ${value}`, keys)) {
      useMotion.setState({ tracks: [place], keys: [{ place, seconds }] });
    }
  };
  const taken = new Set([...tracks, ...links].map(({ place }) => place));
  return <PlacePicker text="Track" taken={taken} onPick={(place) => void add(place)} />;
}
