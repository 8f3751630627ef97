import Box from '@mui/material/Box';
import InputBase from '@mui/material/InputBase';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Light, Operation, Piece } from '../../api/document';
import { setField } from '../../api/patch';
import { LightMark } from '../../desk/LightMark';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { countIn, isIn, scoped } from './scope';

/** What a cell says: lit and shadowed, lit alone, shadows alone, neither. */
const STATES = [
  { lightLinking: true, shadowLinking: true, text: 'lit, and casts its shadow' },
  { lightLinking: true, shadowLinking: false, text: 'lit, casts no shadow' },
  { lightLinking: false, shadowLinking: true, text: 'casts a shadow, unlit' },
  { lightLinking: false, shadowLinking: false, text: 'neither lit nor casting a shadow' },
];

const NAMES = 180;
const COLUMN = 46;

/** Pieces in the order of what holds what, each with how deep it lies. */
function ordered(pieces: Piece[]): { piece: Piece; depth: number }[] {
  const to: { piece: Piece; depth: number }[] = [];
  const under = (parent: string | null, depth: number) =>
    pieces
      .filter((p) => p.parent === parent)
      .forEach((piece) => {
        to.push({ piece, depth });
        under(piece.id, depth + 1);
      });
  under(null, 0);
  return to;
}

/** Lights by pieces: who is lit by what, and whose shadow falls. Painted by dragging. */
export function LinkingBoard() {
  const desk = useDesk();
  const [pieceFilter, setPieceFilter] = useState('');
  const [lightFilter, setLightFilter] = useState('');
  const painting = useRef<{ state: number; operations: Map<string, Operation> } | null>(null);
  const [brush, setBrush] = useState<Map<string, number> | null>(null);
  const { pieces, lights } = desk.document;
  const rows = useMemo(
    () =>
      ordered(pieces).filter(({ piece }) =>
        piece.name.toLowerCase().includes(pieceFilter.toLowerCase()),
      ),
    [pieces, pieceFilter],
  );
  const columns = lights.filter(
    (l) => l.emitter.kind !== 'plate' && l.name.toLowerCase().includes(lightFilter.toLowerCase()),
  );

  const stateOf = (light: Light, piece: Piece) => {
    const lit = isIn(light.lightLinking, pieces, piece.id);
    const shadows = isIn(light.shadowLinking, pieces, piece.id);
    return STATES.findIndex((s) => s.lightLinking === lit && s.shadowLinking === shadows);
  };
  /** Adds a cell to what is being painted. */
  const paint = (light: Light, piece: Piece) => {
    const hand = painting.current;
    if (!hand) return;
    const wanted = STATES[hand.state]!;
    const { document } = desk.state;
    for (const field of ['lightLinking', 'shadowLinking'] as const) {
      const key = `${light.id} ${field}`;
      const before = hand.operations.get(key);
      const scope = (
        before && 'value' in before ? before.value : light[field]
      ) as Light['lightLinking'];
      const next = scoped(scope, document.pieces, piece.id, wanted[field]);
      hand.operations.set(key, setField(document, 'lights', light.id, field, next));
    }
    setBrush((b) => new Map(b).set(`${light.id} ${piece.id}`, hand.state));
  };
  useEffect(() => {
    const up = () => {
      const hand = painting.current;
      painting.current = null;
      if (!hand) return;
      void desk.keep('Links', [...hand.operations.values()]).finally(() => setBrush(null));
    };
    addEventListener('pointerup', up);
    return () => removeEventListener('pointerup', up);
  }, [desk]);

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minWidth: 0 }}>
      <Box sx={{ display: 'flex', gap: 2, px: 2, pt: 1.5, alignItems: 'center' }}>
        <Filter name="Pieces by name" value={pieceFilter} onChange={setPieceFilter} />
        <Filter name="Lights by name" value={lightFilter} onChange={setLightFilter} />
        {STATES.map((s, i) => (
          <Box key={s.text} sx={{ display: 'flex', alignItems: 'center', gap: 1, fontSize: 11 }}>
            <Mark state={i} />
            <Box component="span" sx={{ color: colours.quiet }}>
              {['lit and shadowed', 'lit only', 'shadows only', 'neither'][i]}
            </Box>
          </Box>
        ))}
      </Box>
      <Box
        role="grid"
        aria-label="Linking board"
        sx={{ flex: 1, minHeight: 0, overflow: 'auto', m: 1.5, userSelect: 'none' }}
      >
        <Box role="row" sx={{ display: 'flex', position: 'sticky', top: 0, zIndex: 2 }}>
          <Box
            sx={{ width: NAMES, flex: 'none', position: 'sticky', left: 0, bgcolor: colours.panel }}
          />
          {columns.map((light) => (
            <Tooltip key={light.id} title={light.name}>
              <Box
                role="columnheader"
                onClick={() => useChoice.setState({ light: light.id })}
                sx={{
                  width: COLUMN,
                  flex: 'none',
                  bgcolor: colours.panel,
                  textAlign: 'center',
                  fontSize: 10,
                  lineHeight: 1.15,
                  cursor: 'pointer',
                  pb: 0.5,
                }}
              >
                <LightMark kind={light.emitter.kind} />
                <Box sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
                  {light.name}
                </Box>
                <Box sx={{ fontFamily: mono, color: colours.quiet }}>
                  {countIn(light.lightLinking, pieces)}
                </Box>
              </Box>
            </Tooltip>
          ))}
        </Box>
        {rows.map(({ piece, depth }) => (
          <Box
            key={piece.id}
            role="row"
            sx={{ display: 'flex', '&:hover': { bgcolor: '#ffffff08' } }}
          >
            <Typography
              variant="caption"
              noWrap
              component="div"
              role="rowheader"
              title={piece.name}
              sx={{
                width: NAMES,
                flex: 'none',
                pl: 1 + 2 * depth,
                lineHeight: '20px',
                position: 'sticky',
                left: 0,
                bgcolor: colours.panel,
                color: piece.shape ? colours.text : colours.quiet,
              }}
            >
              {piece.name}
            </Typography>
            {columns.map((light) => {
              const state = brush?.get(`${light.id} ${piece.id}`) ?? stateOf(light, piece);
              return (
                <Box
                  key={light.id}
                  role="gridcell"
                  tabIndex={0}
                  aria-label={`${piece.name} by ${light.name}: ${STATES[state]!.text}`}
                  onPointerDown={(e) => {
                    if (e.button !== 0) return;
                    painting.current = { state: (state + 1) % 4, operations: new Map() };
                    paint(light, piece);
                  }}
                  onPointerEnter={() => paint(light, piece)}
                  onKeyDown={(e) => {
                    if (e.key !== 'Enter' && e.key !== ' ') return;
                    e.preventDefault();
                    painting.current = { state: (state + 1) % 4, operations: new Map() };
                    paint(light, piece);
                    dispatchEvent(new PointerEvent('pointerup'));
                  }}
                  sx={{
                    width: COLUMN,
                    flex: 'none',
                    height: 20,
                    display: 'grid',
                    placeItems: 'center',
                    cursor: 'pointer',
                    borderLeft: `1px solid ${colours.line}`,
                    borderBottom: `1px solid ${colours.line}`,
                  }}
                >
                  <Mark state={state} />
                </Box>
              );
            })}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function Filter(p: { name: string; value: string; onChange: (value: string) => void }) {
  return (
    <InputBase
      value={p.value}
      placeholder={p.name}
      inputProps={{ 'aria-label': p.name }}
      onChange={(e) => p.onChange(e.target.value)}
      sx={{
        width: 140,
        height: 24,
        px: 1.5,
        fontSize: 12,
        bgcolor: colours.control,
        borderRadius: 1,
      }}
    />
  );
}

/** A disc for lit, a bar beneath for its shadow. */
function Mark({ state }: { state: number }) {
  const { lightLinking: lit, shadowLinking: shadows } = STATES[state]!;
  return (
    <svg width={16} height={16} viewBox="0 0 16 16" aria-hidden>
      <circle
        cx={8}
        cy={6}
        r={3.6}
        fill={lit ? colours.text : 'none'}
        stroke={lit ? colours.text : colours.line}
      />
      <path d="M3 13.5h10" stroke={shadows ? colours.text : colours.line} strokeWidth={2} />
    </svg>
  );
}
