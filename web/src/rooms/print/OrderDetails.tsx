import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { enqueueSnackbar } from 'notistack';
import { useState } from 'react';
import { api } from '../../api/client';
import type { PrintOrder } from '../../api/document';
import { Fold } from '../../controls/Fold';
import { PlainSelect } from '../../controls/PlainSelect';
import { SwitchOf } from '../../controls/SwitchOf';
import { TextOf } from '../../controls/TextOf';
import { useChosenShot } from '../../frame/useChosenShot';
import { say, useDesk } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { useTime } from '../../motion/time';
import { FramesOrder } from './FramesOrder';
import { useDebounced } from '../../controls/useDebounced';
import {
  FORMATS,
  atFrame,
  PASSES,
  SIZES,
  bytesOf,
  goalOf,
  goalValue,
  isOfFrames,
  quantitiesOf,
  toggled,
  usualOrder,
  usualValue,
  withFormat,
  withGoal,
  withPass,
  type Goal,
} from './order';
import { Amount, Check } from './orderFields';
import { usePrintChoice } from './usePrints';

/** The order of a print: shots, size, how clean, passes, files. */
export function OrderDetails() {
  const desk = useDesk();
  const shot = useChosenShot();
  const kept = usePrintChoice((c) => c.order);
  const picked = usePrintChoice((c) => c.shots);
  const known = desk.document.shots.map((s) => s.id);
  const shots = picked.filter((s) => known.includes(s));
  const wanted = shots.length > 0 ? shots : [shot.id];
  const order: PrintOrder = {
    ...(kept ?? { ...usualOrder(shot.id), cutOut: shot.cutOut }),
    shot: wanted[0]!,
  };
  const frame = useTime((t) => t.frame);
  const moves = desk.document.motion.tracks.length > 0;
  const set = (part: Partial<PrintOrder>) =>
    usePrintChoice.setState({ order: { ...order, ...part } });
  return (
    <Box>
      <Typography variant="subtitle2" component="h2">
        Order a print
      </Typography>
      <Shots wanted={wanted} />
      {moves && (
        <Fold title="Frames" open>
          <FramesOrder order={order} set={set} />
        </Fold>
      )}
      <SizeOf order={order} set={set} />
      <Clean order={order} set={set} />
      <Fold title="Passes" open={order.passes.length > 0} changed={order.passes.length > 0}>
        <Passes order={order} set={set} />
      </Fold>
      <Fold title="Files" open>
        <Files order={order} set={set} />
      </Fold>
      <Send order={atFrame(order, moves, frame)} shots={wanted} />
    </Box>
  );
}

interface Part {
  order: PrintOrder;
  set: (part: Partial<PrintOrder>) => void;
}

function Shots({ wanted }: { wanted: string[] }) {
  const { document } = useDesk();
  return (
    <Fold title="Shots" open>
      <Box sx={{ display: 'grid' }}>
        {document.shots.map((s) => (
          <Check
            key={s.id}
            label={s.name}
            on={wanted.includes(s.id)}
            onChange={() => usePrintChoice.setState({ shots: toggled(wanted, s.id) })}
          />
        ))}
      </Box>
    </Fold>
  );
}

const OWN_SIZES = 'level-ember.print-sizes';

/** Sizes that the artist has kept in this browser. */
function ownSizes(): typeof SIZES {
  try {
    return JSON.parse(localStorage.getItem(OWN_SIZES) ?? '[]') as typeof SIZES;
  } catch {
    return [];
  }
}

function SizeOf({ order, set }: Part) {
  const [own, setOwn] = useState(ownSizes);
  const all = [...SIZES, ...own];
  const at = all.findIndex((s) => s.width === order.width && s.height === order.height);
  const keep = () => {
    const { width, height } = order;
    const next = [...own, { name: `Own, ${width} × ${height}`, width, height }];
    localStorage.setItem(OWN_SIZES, JSON.stringify(next));
    setOwn(next);
  };
  return (
    <Fold title="Size" open>
      <PlainSelect
        label="Size"
        value={at < 0 ? '' : String(at)}
        options={[
          ...(at < 0 ? [{ value: '', text: `${order.width} × ${order.height}` }] : []),
          ...all.map((s, i) => ({ value: String(i), text: s.name })),
        ]}
        onChange={(v) => {
          const size = all[Number(v)];
          if (v !== '' && size) set({ width: size.width, height: size.height });
        }}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, mt: 1 }}>
        <Amount
          label="Width"
          value={order.width}
          quantity={quantitiesOf.side}
          onChange={(width) => set({ width: Math.round(width) })}
        />
        <Amount
          label="Height"
          value={order.height}
          quantity={quantitiesOf.side}
          onChange={(height) => set({ height: Math.round(height) })}
        />
      </Box>
      {at < 0 && (
        <Button size="small" color="inherit" onClick={keep}>
          Keep this size
        </Button>
      )}
    </Fold>
  );
}

function Clean({ order, set }: Part) {
  const goal = goalOf(order);
  const labels: Record<Goal, string> = {
    noise: 'Noise of the picture',
    samples: 'Samples a pixel',
    minutes: 'Time',
  };
  return (
    <Fold title="Cleanness" open>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <PlainSelect
          label="Goes by"
          value={goal}
          options={[
            { value: 'noise', text: 'noise' },
            { value: 'samples', text: 'samples' },
            { value: 'minutes', text: 'time' },
          ]}
          onChange={(v) => set(withGoal(v as Goal, usualValue[v as Goal]))}
        />
        <Amount
          key={goal}
          label={labels[goal]}
          value={goalValue(order)}
          quantity={quantitiesOf[goal]}
          onChange={(v) => set(withGoal(goal, v))}
        />
      </Box>
      <SwitchOf
        label="Denoise"
        name="Denoise the print"
        on={order.denoise}
        onChange={(denoise) =>
          set({
            denoise,
            frames: order.frames && {
              ...order.frames,
              temporalFilter: order.frames.temporalFilter && denoise,
            },
          })
        }
      />
      <SwitchOf
        label="Cut out, with alpha"
        name="Cut out the print, with alpha"
        on={order.cutOut}
        onChange={(cutOut) => set({ cutOut })}
      />
    </Fold>
  );
}

function Passes({ order, set }: Part) {
  const lights = order.passes.some((p) => p === 'lights' || p === 'banks');
  return (
    <>
      {PASSES.map((group) => (
        <Box key={group.name} role="group" aria-label={`Passes of ${group.name.toLowerCase()}`}>
          <Typography variant="caption" color="text.secondary">
            {group.name}
          </Typography>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}>
            {group.passes.map(([pass, text]) => (
              <Check
                key={pass}
                label={text}
                on={order.passes.includes(pass)}
                onChange={() => set(withPass(order, pass))}
              />
            ))}
          </Box>
        </Box>
      ))}
      {lights && (
        <SwitchOf
          label="With levels and mutes of the desk"
          on={order.lightLevels}
          onChange={(lightLevels) => set({ lightLevels })}
        />
      )}
      {order.passes.includes('ambientOcclusion') && (
        <Amount
          label="Occlusion within"
          value={order.occlusionMetres}
          quantity={quantitiesOf.occlusion}
          onChange={(occlusionMetres) => set({ occlusionMetres })}
        />
      )}
      {order.passes.length > 0 && (
        <SwitchOf
          label="A file each"
          on={order.filePerPass}
          onChange={(filePerPass) => set({ filePerPass })}
        />
      )}
    </>
  );
}

function Files({ order, set }: Part) {
  const { data: usual } = useQuery({ queryKey: ['prints', 'folder'], queryFn: api.printFolder });
  return (
    <>
      <Box
        role="group"
        aria-label="Formats"
        sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}
      >
        {FORMATS.map(([format, text]) => (
          <Check
            key={format}
            label={text}
            on={order.formats.includes(format)}
            onChange={() => set(withFormat(order, format))}
          />
        ))}
      </Box>
      {order.formats.includes('exr') && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
          <PlainSelect
            label="OpenEXR depth"
            value={order.exrDepth}
            options={[
              { value: 'half', text: 'half, 16 bit' },
              { value: 'float', text: 'float, 32 bit' },
            ]}
            onChange={(v) => set({ exrDepth: v as PrintOrder['exrDepth'] })}
          />
          <PlainSelect
            label="OpenEXR packing"
            value={order.exrPacking}
            options={[
              { value: 'zip', text: 'ZIP' },
              { value: 'piz', text: 'PIZ' },
              { value: 'none', text: 'none' },
            ]}
            onChange={(v) => set({ exrPacking: v as PrintOrder['exrPacking'] })}
          />
        </Box>
      )}
      <TextOf
        label="Folder"
        placeholder={usual?.path}
        value={order.folder}
        onChange={(folder) => set({ folder })}
      />
      <TextOf label="Name" value={order.pattern} onChange={(pattern) => set({ pattern })} />
      <Typography variant="caption" color="text.secondary" component="p">
        {
          'May hold {shoot} {shot} {look} {width} {height} {date} {time} {job} {frame}, and / for folders.'
        }
      </Typography>
    </>
  );
}

/** What the order would take and what is wrong with it, and the button that sends it. */
function Send({ order, shots }: { order: PrintOrder; shots: string[] }) {
  const desk = useDesk();
  const client = useQueryClient();
  const [sending, setSending] = useState(false);
  const calm = useDebounced(order, 250);
  const { data: estimate, error } = useQuery({
    queryKey: ['prints', 'estimate', desk.state.id, desk.state.revision, calm],
    queryFn: () => api.estimatePrint(desk.state.id, calm),
    placeholderData: (before) => before,
    retry: false,
  });
  const send = async () => {
    setSending(true);
    try {
      let first: number | null = null;
      for (const shot of shots) {
        const job = await api.orderPrint(desk.state.id, { ...order, shot });
        first ??= job.id;
      }
      usePrintChoice.setState({ job: first });
      enqueueSnackbar(shots.length > 1 ? `${shots.length} prints are ordered` : 'Ordered');
    } catch (refused) {
      say(refused);
    } finally {
      setSending(false);
      await client.invalidateQueries({ queryKey: ['prints'] });
    }
  };
  const problems = error ? [error.message] : (estimate?.problems ?? []);
  return (
    <Box sx={{ borderTop: `1px solid ${colours.line}`, pt: 2, display: 'grid', gap: 1 }}>
      {estimate?.names.map((name) => (
        <Typography
          key={name}
          variant="caption"
          sx={{ fontFamily: mono, wordBreak: 'break-all', color: colours.quiet }}
        >
          {name}
        </Typography>
      ))}
      {estimate && (
        <Typography variant="caption" color="text.secondary">
          {isOfFrames(order) ? 'Files up to' : 'Film'} {bytesOf(estimate.filmBytes)} on disk,{' '}
          {bytesOf(estimate.memoryBytes)} of memory;{' '}
          {estimate.bands === 1
            ? 'the whole frame fills in at once.'
            : `filled in band by band, in ${estimate.bands} bands.`}
        </Typography>
      )}
      {estimate && estimate.bands > 1 && isOfFrames(order) && order.frames?.temporalFilter && (
        <Typography role="note" variant="caption" sx={{ color: colours.warning }}>
          Frames of this size do not fit into memory at once: each is denoised by itself, and not
          looked through for flicker.
        </Typography>
      )}
      {problems.map((problem) => (
        <Typography key={problem} role="alert" variant="caption" sx={{ color: colours.warning }}>
          {problem}
        </Typography>
      ))}
      <Button
        variant="contained"
        disabled={sending || problems.length > 0 || !estimate}
        onClick={() => void send()}
      >
        {shots.length > 1 ? `Print ${shots.length} shots` : 'Print'}
      </Button>
    </Box>
  );
}
