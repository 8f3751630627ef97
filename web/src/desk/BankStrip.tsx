import DeleteIcon from '@mui/icons-material/LinkOff';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import type { Bank, Operation, ShootDocument } from '../api/document';
import { setField } from '../api/patch';
import { fromCode, toCode } from '../controls/colourCode';
import { NameField } from '../controls/NameField';
import { formatStops } from '../controls/quantity';
import { useDesk } from '../live/useShoot';
import { colours, mono, sizes } from '../theme/theme';
import { banked } from './banks';
import { Fader } from './Fader';
import { Toggle } from './Toggle';

/** The strip of a bank: a fader, mute, solo and colour trim over all its lights. */
export function BankStrip({ bank }: { bank: Bank }) {
  const desk = useDesk();
  const set = (d: ShootDocument, field: string, value: unknown): Operation[] => [
    setField(d, 'banks', bank.id, field, value),
  ];
  const keep = (edit: string, field: string, value: unknown) =>
    void desk.keep(edit, set(desk.state.document, field, value));
  return (
    <Box
      role="group"
      aria-label={`Bank ${bank.name}`}
      data-bank={bank.id}
      sx={{
        width: sizes.strip,
        flex: 'none',
        height: '100%',
        display: 'flex',
        flexDirection: 'column',
        bgcolor: colours.panel,
        border: `1px solid ${colours.quiet}`,
        borderRight: 'none',
        borderRadius: '6px 0 0 6px',
        px: 1,
        pb: 1,
      }}
    >
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          minHeight: 30,
          '& input': { fontSize: 11, p: 0 },
        }}
      >
        <NameField
          label="Name of the bank"
          value={bank.name}
          onKeep={(name) => keep(`Rename ${bank.name}`, 'name', name)}
        />
        <Tooltip title="Ungroup">
          <IconButton
            aria-label={`Ungroup ${bank.name}`}
            onClick={() => {
              const own = desk.state.document.lights.filter((l) => l.bank === bank.id);
              void desk.keep(
                `Ungroup ${bank.name}`,
                banked(
                  own.map((l) => l.id),
                  null,
                  desk.state.document,
                ),
              );
            }}
          >
            <DeleteIcon fontSize="inherit" />
          </IconButton>
        </Tooltip>
      </Box>
      <Box sx={{ flex: 1, minHeight: 0, display: 'flex' }}>
        <Fader
          name={bank.name}
          value={bank.levelStops}
          onTry={(stops) => desk.tryOut(set(desk.state.document, 'levelStops', stops))}
          onKeep={() => void desk.keep(`Level of ${bank.name}`)}
        />
        <Box sx={{ flex: 1, display: 'flex', flexDirection: 'column', gap: '3px' }}>
          <Box sx={{ fontFamily: mono, fontSize: 12, textAlign: 'right' }}>
            {formatStops(bank.levelStops)}
          </Box>
          <Tooltip title="Colour trim of the bank">
            <Box
              component="input"
              type="color"
              aria-label={`Colour trim of ${bank.name}`}
              value={toCode(bank.filter)}
              onChange={(e: React.ChangeEvent<HTMLInputElement>) =>
                desk.tryOut(set(desk.state.document, 'filter', fromCode(e.target.value)))
              }
              onBlur={() => void desk.keep(`Colour of ${bank.name}`)}
              sx={{ width: 24, height: 18, p: 0, border: 'none', alignSelf: 'flex-end' }}
            />
          </Tooltip>
          <Box sx={{ flex: 1 }} />
          <Box sx={{ display: 'flex', gap: '3px' }}>
            <Toggle
              on={bank.muted}
              name={`Mute ${bank.name}`}
              onClick={() => keep(`Mute ${bank.name}`, 'muted', !bank.muted)}
            >
              M
            </Toggle>
            <Toggle
              on={bank.solo}
              name={`Solo ${bank.name}`}
              onClick={() => keep(`Solo ${bank.name}`, 'solo', !bank.solo)}
            >
              S
            </Toggle>
          </Box>
        </Box>
      </Box>
    </Box>
  );
}
