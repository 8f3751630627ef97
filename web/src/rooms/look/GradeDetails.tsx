import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef } from 'react';
import { api } from '../../api/client';
import { Fold } from '../../controls/Fold';
import { Row } from '../../controls/FieldOf';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { SwitchOf } from '../../controls/SwitchOf';
import { useDownload } from '../../live/useDownload';
import { say, useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { CurveEditor } from './CurveEditor';
import { LookNumber } from './LookNumber';
import { noGrade } from './plain';
import { useLook } from './useLook';
import { WheelPad } from './WheelPad';

const small = withRange({ unit: '', step: 0.005, digits: 3 }, 'wheels', 'lift');
const gamma = withRange({ unit: '', step: 0.01, digits: 2 }, 'wheels', 'gamma');
const gain = withRange({ unit: '', step: 0.01, digits: 2 }, 'wheels', 'gain');
const colour = withRange({ unit: '', step: 0.02, digits: 2 }, 'wheels', 'saturation');

const MOST_CUBE = 64 * 1024 * 1024;

/** The grade: wheels, curves and a LUT, and how much of it. */
export function GradeDetails() {
  const desk = useDesk();
  const download = useDownload();
  const { look, keep } = useLook();
  const { grade } = look;
  const neutral = JSON.stringify({ ...grade, on: true, amount: 1 }) === JSON.stringify(noGrade);
  return (
    <Fold
      title="Grade"
      changed={!neutral}
      aside={
        <SwitchOf
          label="on"
          name="Grade on"
          on={grade.on}
          onChange={(on) => keep(`Grade ${on ? 'on' : 'off'}`, 'grade/on', on)}
        />
      }
    >
      <Row>
        <LookNumber
          label="Amount"
          name="Amount of the grade"
          edit="Amount of the grade"
          field="grade/amount"
          quantity={quantities.share}
        />
        <LookNumber
          label="Saturation"
          name="Saturation of the grade"
          edit="Saturation of the grade"
          field="grade/wheels/saturation"
          quantity={colour}
        />
      </Row>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(4, 1fr)', gap: 1 }}>
        <WheelPad wheel="lift" label="Lift" neutral={0} reach={0.12} level={small} />
        <WheelPad wheel="gamma" label="Gamma" neutral={1} reach={0.4} level={gamma} />
        <WheelPad wheel="gain" label="Gain" neutral={1} reach={0.4} level={gain} />
        <WheelPad wheel="offset" label="Offset" neutral={0} reach={0.12} level={small} />
      </Box>
      <CurveEditor />
      <Table />
      <Typography variant="caption" color="text.secondary">
        Works on display values, 0 to 1: wheels as an ASC CDL, then curves, then the LUT.
      </Typography>
      <Row>
        <Button
          color="inherit"
          variant="outlined"
          disabled={neutral}
          onClick={() => keep('No grade', 'grade', noGrade)}
          sx={{ borderColor: colours.line }}
        >
          Neutral
        </Button>
        {(['cube', 'cdl'] as const).map((end) => (
          <Button
            key={end}
            color="inherit"
            variant="outlined"
            onClick={() => void download(api.gradeUrl(desk.state.id, look.id, end))}
            sx={{ borderColor: colours.line }}
          >
            As .{end}
          </Button>
        ))}
      </Row>
    </Fold>
  );
}

/** The LUT, and bringing in one or a colour decision list. */
function Table() {
  const desk = useDesk();
  const { look, keep } = useLook();
  const file = useRef<HTMLInputElement>(null);
  const { lut } = look.grade;
  const bring = async (from: File) => {
    try {
      if (from.name.toLowerCase().endsWith('.cdl') || from.name.toLowerCase().endsWith('.cc')) {
        keep(`Wheels of ${from.name}`, 'grade/wheels', await api.cdl(from));
        return;
      }
      if (from.size > MOST_CUBE) throw new Error(`${from.name} is larger than 64 MB`);
      const { name } = await api.addAsset(desk.state.id, from);
      keep(`LUT ${name}`, 'grade/lut', name);
    } catch (error) {
      say(error);
    }
  };
  return (
    <Box sx={{ display: 'flex', alignItems: 'end', gap: 1.5 }}>
      <Box
        component="input"
        ref={file}
        type="file"
        accept=".cube,.cdl,.cc"
        aria-label="LUT or CDL file"
        onChange={(e: React.ChangeEvent<HTMLInputElement>) => {
          const from = e.target.files?.[0];
          if (from) void bring(from);
          e.target.value = '';
        }}
        sx={{ display: 'none' }}
      />
      <Button
        color="inherit"
        variant="outlined"
        onClick={() => file.current?.click()}
        sx={{
          borderColor: colours.line,
          flex: 1,
          minWidth: 0,
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          whiteSpace: 'nowrap',
          display: 'block',
        }}
      >
        {lut ?? 'LUT or CDL …'}
      </Button>
      {lut && (
        <>
          <Box sx={{ width: 76 }}>
            <LookNumber
              label="Amount"
              name="Amount of the LUT"
              edit="Amount of the LUT"
              field="grade/lutAmount"
              quantity={quantities.share}
            />
          </Box>
          <Button color="inherit" onClick={() => keep('Without the LUT', 'grade/lut', null)}>
            Off
          </Button>
        </>
      )}
    </Box>
  );
}
