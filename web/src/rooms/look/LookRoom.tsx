import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Operation, ShootDocument } from '../../api/document';
import { setField } from '../../api/patch';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities, type Quantity } from '../../controls/quantity';
import { useChosenShot } from '../../frame/useChosenShot';
import { useLive, type Denoise } from '../../live/store';
import { useChannel, useDesk } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { shoulder } from './shoulder';

const held: Quantity = { unit: 'st', least: 0, most: 8, step: 0.1, digits: 2 };

function useLook() {
  const desk = useDesk();
  const shot = useChosenShot();
  return desk.document.looks.find((l) => l.id === shot.look) ?? desk.document.looks[0]!;
}

/** Details of the Look: exposure and the highlight shoulder. */
export function LookDetails() {
  const look = useLook();
  const here = (d: ShootDocument) => d.looks.find((l) => l.id === look.id) ?? look;
  const set = (d: ShootDocument, field: string, value: unknown): Operation[] => [
    setField(d, 'looks', look.id, field, value),
  ];
  return (
    <Box key={look.id}>
      <Typography sx={{ fontWeight: 600, fontSize: 14, mb: 3 }}>{look.name}</Typography>
      <Section title="Exposure">
        <NumberOf
          label="EV at ISO 100"
          edit="Exposure"
          read={(d) => here(d).ev}
          write={(d, v) => set(d, 'ev', v)}
          quantity={quantities.ev}
        />
        <Typography variant="caption" color="text.secondary">
          White before the shoulder is {(1.2 * 2 ** look.ev).toPrecision(3)} cd/m², mid grey{' '}
          {(0.18 * 1.2 * 2 ** look.ev).toPrecision(3)} cd/m².
        </Typography>
      </Section>
      <Section title="Highlight shoulder">
        <Row>
          <NumberOf
            label="Begins at"
            edit="Shoulder"
            read={(d) => here(d).shoulderStart}
            write={(d, v) => set(d, 'shoulderStart', v)}
            quantity={quantities.share}
          />
          <NumberOf
            label="Holds"
            edit="Shoulder"
            read={(d) => here(d).shoulderStops}
            write={(d, v) => set(d, 'shoulderStops', v)}
            quantity={held}
          />
        </Row>
      </Section>
      <CleanTo />
    </Box>
  );
}

const NOISES = [20, 10, 5, 2, 1, 0.5];

const DENOISE: { value: Denoise; text: string }[] = [
  { value: 'never', text: 'Never' },
  { value: 'noisy', text: 'While above 5 %' },
  { value: 'always', text: 'Always' },
];

/** The noise at which the live picture is good enough, and when it is denoised; not kept with the shoot. */
function CleanTo() {
  const channel = useChannel();
  const wanted = useLive((s) => s.wantedPercent);
  const denoise = useLive((s) => s.denoise);
  return (
    <Section title="Live picture">
      <PlainSelect
        label="Traced until its noise is below"
        value={String(wanted)}
        options={NOISES.map((n) => ({ value: String(n), text: `${n} %` }))}
        onChange={(value) => channel?.clean(Number(value))}
      />
      <PlainSelect
        label="Noise taken out"
        value={denoise}
        options={DENOISE}
        onChange={(value) => channel?.denoise(value as Denoise)}
      />
    </Section>
  );
}

const FROM = -6;
const TO = 6;
const WIDTH = 600;
const HEIGHT = 130;

/** Tray of the Look: the curve from stops in the scene to what is shown. */
export function LookTray() {
  const look = useLook();
  const points = Array.from({ length: 241 }, (_, i) => {
    const stops = FROM + ((TO - FROM) * i) / 240;
    const shown = shoulder(0.18 * 2 ** stops, look);
    const code = shown <= 0.0031308 ? 12.92 * shown : 1.055 * shown ** (1 / 2.4) - 0.055;
    return `${(WIDTH * i) / 240},${HEIGHT * (1 - code)}`;
  });
  return (
    <Box sx={{ height: '100%', p: 3, display: 'flex', gap: 4 }}>
      <Box sx={{ width: 150, flex: 'none' }}>
        <Typography variant="subtitle2">Display curve</Typography>
        <Typography variant="caption" color="text.secondary">
          Across: stops from mid grey. Up: what the screen shows. Highlights bend over from{' '}
          {Math.round(100 * look.shoulderStart)} % and are white at +
          {(look.shoulderStops + Math.log2(1 / 0.18)).toFixed(1)} stops.
        </Typography>
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT + 16}`}
          width="100%"
          height="100%"
          role="img"
          aria-label="Display curve"
        >
          {Array.from({ length: TO - FROM + 1 }, (_, i) => {
            const x = (WIDTH * i) / (TO - FROM);
            return (
              <g key={i}>
                <line x1={x} x2={x} y1={0} y2={HEIGHT} stroke={colours.line} />
                <text
                  x={x}
                  y={HEIGHT + 12}
                  fill={colours.quiet}
                  fontSize={10}
                  fontFamily={mono}
                  textAnchor="middle"
                >
                  {FROM + i > 0 ? `+${FROM + i}` : FROM + i}
                </text>
              </g>
            );
          })}
          <rect width={WIDTH} height={HEIGHT} fill="none" stroke={colours.line} />
          <polyline points={points.join(' ')} fill="none" stroke={colours.ember} strokeWidth={2} />
        </svg>
      </Box>
    </Box>
  );
}
