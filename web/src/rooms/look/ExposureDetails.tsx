import ColorizeIcon from '@mui/icons-material/Colorize';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { api } from '../../api/client';
import type { Metering } from '../../api/document';
import { Fold } from '../../controls/Fold';
import { Row } from '../../controls/FieldOf';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { SwitchOf } from '../../controls/SwitchOf';
import { useChoice } from '../../frame/choice';
import { useChosenShot } from '../../frame/useChosenShot';
import { say, useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { LookNumber } from './LookNumber';
import { useLook } from './useLook';

const fNumber = withRange({ unit: 'f', step: 0.1, digits: 1, relative: true }, 'camera', 'fNumber');
const seconds = withRange(
  { unit: 's', others: { ms: 0.001 }, step: 0.001, digits: 5, relative: true },
  'camera',
  'shutterSeconds',
);
const iso = withRange({ unit: 'ISO', step: 10, digits: 0, relative: true }, 'camera', 'iso');

/** Exposure by a value or by a camera's settings, what the picture suggests, and white balance. */
export function ExposureDetails() {
  const { look, keep } = useLook();
  const { camera, balance } = look;
  const byCamera = (on: boolean) => {
    // Settings that give the same exposure.
    const shutterSeconds = 1 / 60;
    const at = 100;
    const n = Math.sqrt(2 ** look.ev * shutterSeconds * (at / 100));
    const fits = Math.min(128, Math.max(0.5, n));
    const sensitivity = (fits * fits * 100) / (2 ** look.ev * shutterSeconds);
    keep(
      'Exposure',
      'camera',
      on
        ? {
            fNumber: Math.round(fits * 1000) / 1000,
            shutterSeconds,
            iso: Math.min(819200, Math.max(6, sensitivity)),
          }
        : null,
    );
  };
  return (
    <>
      <Fold
        title="Exposure"
        open
        aside={
          <SwitchOf
            label="by camera"
            name="Exposure by a camera's settings"
            on={camera !== null}
            onChange={byCamera}
          />
        }
      >
        {camera ? (
          <>
            <Row>
              <LookNumber
                label="Aperture"
                edit="Exposure"
                field="camera/fNumber"
                quantity={fNumber}
              />
              <LookNumber
                label="Shutter"
                edit="Exposure"
                field="camera/shutterSeconds"
                quantity={seconds}
              />
              <LookNumber label="Sensitivity" edit="Exposure" field="camera/iso" quantity={iso} />
            </Row>
            <Typography variant="caption" color="text.secondary">
              EV {look.ev.toFixed(2)} at ISO 100; shutter 1/{Math.round(1 / camera.shutterSeconds)}{' '}
              s.
            </Typography>
          </>
        ) : (
          <LookNumber label="EV at ISO 100" edit="Exposure" field="ev" quantity={quantities.ev} />
        )}
        <Metered />
        <Typography variant="caption" color="text.secondary">
          White before the curve is {(1.2 * 2 ** look.ev).toPrecision(3)} cd/m², mid grey{' '}
          {(0.18 * 1.2 * 2 ** look.ev).toPrecision(3)} cd/m².
        </Typography>
      </Fold>
      <Fold
        title="White balance"
        open
        changed={balance.kelvin !== 6504 || balance.tint !== 0}
        aside={<PointAtGrey />}
      >
        <Row>
          <LookNumber
            label="White is"
            edit="White balance"
            field="balance/kelvin"
            quantity={quantities.kelvin}
          />
          <LookNumber
            label="Tint"
            name="Tint of white"
            edit="White balance"
            field="balance/tint"
            quantity={quantities.tint}
          />
        </Row>
      </Fold>
    </>
  );
}

/** What the picture itself suggests; a click takes it. */
function Metered() {
  const desk = useDesk();
  const shot = useChosenShot();
  const { set } = useLook();
  const [said, setSaid] = useState<Metering | null>(null);
  const meter = async (x: number, y: number, spot: boolean) => {
    try {
      const m = await api.metering(desk.state.id, x, y);
      setSaid({ ...m, spot: spot ? m.spot : null });
    } catch (error) {
      say(error);
    }
  };
  const take = (ev: number) =>
    void desk.keep('Exposure as metered', [
      ...set(desk.state.document, 'camera', null),
      // What is shown is exposed by the shot too.
      ...set(desk.state.document, 'ev', Math.round((ev + shot.exposureStops) * 100) / 100),
    ]);
  const spot = () =>
    useChoice.setState({
      armed: {
        what: 'Meter a place',
        take: (x, y) => {
          useChoice.setState({ armed: null });
          void meter(x, y, true);
        },
      },
    });
  const offer = (text: string, ev: number | null) =>
    ev !== null && (
      <Button
        color="inherit"
        variant="outlined"
        onClick={() => take(ev)}
        sx={{ borderColor: colours.line, px: 1, fontSize: 11, minWidth: 0 }}
      >
        {text} {ev.toFixed(2)}
      </Button>
    );
  return (
    <>
      <Row>
        <Button
          color="inherit"
          variant="outlined"
          onClick={() => void meter(0.5, 0.5, false)}
          sx={{ borderColor: colours.line }}
        >
          Meter
        </Button>
        <Button
          color="inherit"
          variant="outlined"
          startIcon={<ColorizeIcon />}
          onClick={spot}
          sx={{ borderColor: colours.line }}
        >
          Spot …
        </Button>
      </Row>
      {said && (
        <Box aria-label="Suggested exposure" role="group">
          <Typography variant="caption" color="text.secondary" component="p" sx={{ mb: 1 }}>
            Suggested EV; a click takes it.
          </Typography>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
            {offer('Average', said.average)}
            {offer('Highlights held', said.highlights)}
            {offer('Spot', said.spot)}
          </Box>
        </Box>
      )}
    </>
  );
}

function PointAtGrey() {
  const desk = useDesk();
  const { keep } = useLook();
  const point = () =>
    useChoice.setState({
      armed: {
        what: 'Point at something that is to be grey',
        take: (x, y) => {
          useChoice.setState({ armed: null });
          api.neutral(desk.state.id, x, y).then(
            (balance) => keep('White balance by pointing', 'balance', balance),
            (error: unknown) => say(error),
          );
        },
      },
    });
  return (
    <Button color="inherit" startIcon={<ColorizeIcon />} onClick={point} sx={{ fontSize: 11 }}>
      A grey …
    </Button>
  );
}
