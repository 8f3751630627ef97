import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { FrameOrder, MovieFormat, PrintOrder } from '../../api/document';
import { PlainSelect } from '../../controls/PlainSelect';
import type { Quantity } from '../../controls/quantity';
import { SwitchOf } from '../../controls/SwitchOf';
import { useDesk } from '../../live/useShoot';
import { timeText, useTime } from '../../motion/time';
import { Amount, Check } from './orderFields';
import { isOfFrames, toggled } from './order';

const frame: Quantity = { unit: '', least: -1e6, most: 1e6, step: 1, digits: 0 };
const MOVIES: [MovieFormat, string][] = [
  ['mp4', 'MP4, H.264'],
  ['apng', 'Animated PNG'],
  ['gif', 'Animated GIF'],
];

interface Props {
  order: PrintOrder;
  set: (part: Partial<PrintOrder>) => void;
}

/** Whether a still or frames are printed of a shoot that moves, and which. */
export function FramesOrder({ order, set }: Props) {
  const { motion } = useDesk().document;
  const shown = useTime((t) => t.frame);
  const ofFrames = isOfFrames(order);
  const frames: FrameOrder = order.frames ?? {
    first: motion.firstFrame,
    last: motion.lastFrame,
    every: 8,
    runningSeeds: false,
    temporalFilter: true,
    movies: ['mp4'],
  };
  const change = (part: Partial<FrameOrder>) => set({ frames: { ...frames, ...part } });
  const whole = () =>
    set({
      frames: {
        ...frames,
        first: motion.firstFrame,
        last: motion.lastFrame,
        movies: frames.movies.length > 0 ? frames.movies : ['mp4'],
      },
    });
  const number = (label: string, field: 'first' | 'last' | 'every', quantity: Quantity) => (
    <Amount
      label={label}
      value={frames[field]}
      quantity={quantity}
      onChange={(v) => change({ [field]: Math.round(v) })}
    />
  );
  return (
    <>
      <PlainSelect
        label="Of the motion"
        value={ofFrames ? 'frames' : 'still'}
        options={[
          { value: 'still', text: `A still at frame ${timeText(motion, shown, false)}` },
          { value: 'frames', text: 'Frames' },
        ]}
        onChange={(v) => (v === 'frames' ? whole() : set({ frames: null }))}
      />
      {ofFrames && (
        <>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 1.5, mt: 1 }}>
            {number('From', 'first', frame)}
            {number('To', 'last', frame)}
            {!frames.temporalFilter &&
              number('First every', 'every', { ...frame, least: 1, most: 1000 })}
          </Box>
          <Movies movies={frames.movies} onChange={(movies) => change({ movies })} />
          <SwitchOf
            label="Temporal denoising"
            on={frames.temporalFilter && order.denoise}
            onChange={(temporalFilter) =>
              set({
                frames: { ...frames, temporalFilter },
                denoise: temporalFilter || order.denoise,
              })
            }
          />
          <SwitchOf
            label="Other noise in every frame"
            on={frames.runningSeeds}
            onChange={(runningSeeds) => change({ runningSeeds })}
          />
          <Typography variant="caption" color="text.secondary" component="p">
            {`${frames.last - frames.first + 1} frames, numbered where the name has {frame} or at its end.`}
          </Typography>
        </>
      )}
    </>
  );
}

interface MoviesProps {
  movies: MovieFormat[];
  onChange: (movies: MovieFormat[]) => void;
}

function Movies({ movies, onChange }: MoviesProps) {
  return (
    <Box role="group" aria-label="Films" sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}>
      {MOVIES.map(([movie, text]) => (
        <Check
          key={movie}
          label={text}
          on={movies.includes(movie)}
          onChange={() => onChange(toggled(movies, movie))}
        />
      ))}
    </Box>
  );
}
