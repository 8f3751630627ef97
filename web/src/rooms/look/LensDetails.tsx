import { Fold } from '../../controls/Fold';
import { Row } from '../../controls/FieldOf';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { useDesk } from '../../live/useShoot';
import { LookNumber } from './LookNumber';
import { useLook } from './useLook';

const vignette = withRange({ unit: 'st', step: 0.05, digits: 2 }, 'optics', 'vignette');
const distortion = withRange({ unit: '', step: 0.005, digits: 3 }, 'optics', 'distortion');
const fringing = withRange({ unit: '%', step: 0.02, digits: 2 }, 'optics', 'fringing');
const sharpening = withRange({ unit: '', step: 0.05, digits: 2 }, 'optics', 'sharpening');
const radius = withRange(
  { unit: '%', step: 0.02, digits: 2, relative: true },
  'optics',
  'sharpeningSize',
);
const grain = withRange({ unit: '', step: 0.002, digits: 3 }, 'optics', 'grain');
const grainSize = withRange(
  { unit: '%', step: 0.02, digits: 2, relative: true },
  'optics',
  'grainSize',
);
const blur = withRange({ unit: '%', step: 0.1, digits: 2 }, 'plateTreatment', 'blur');

/** What else the lens and the sensor do, and the plates behind the set. */
export function LensDetails() {
  const desk = useDesk();
  const { look } = useLook();
  const { optics, plate } = look;
  const plates = desk.document.lights.some((l) => l.emitter.kind === 'plate');
  const lens =
    optics.vignette !== 0 ||
    optics.distortion !== 0 ||
    optics.fringing !== 0 ||
    optics.sharpening > 0 ||
    optics.grain > 0;
  return (
    <>
      <Fold title="Lens" changed={lens}>
        <Row>
          <LookNumber
            label="Vignette"
            edit="Vignette"
            field="optics/vignette"
            quantity={vignette}
          />
          <LookNumber
            label="Distortion"
            edit="Distortion"
            field="optics/distortion"
            quantity={distortion}
          />
          <LookNumber
            label="Fringing"
            edit="Colour fringing"
            field="optics/fringing"
            quantity={fringing}
          />
        </Row>
        <Row>
          <LookNumber
            label="Sharpening"
            edit="Sharpening"
            field="optics/sharpening"
            quantity={sharpening}
          />
          <LookNumber
            label="Radius"
            name="Radius of the sharpening"
            edit="Sharpening"
            field="optics/sharpeningSize"
            quantity={radius}
          />
        </Row>
        <Row>
          <LookNumber label="Grain" edit="Grain" field="optics/grain" quantity={grain} />
          <LookNumber
            label="Size"
            name="Size of the grain"
            edit="Grain"
            field="optics/grainSize"
            quantity={grainSize}
          />
        </Row>
      </Fold>
      {plates && (
        <Fold title="Backdrop plate" changed={plate.stops !== 0 || plate.blur > 0}>
          <Row>
            <LookNumber
              label="Exposure"
              name="Exposure of the plate"
              edit="Exposure of the plate"
              field="plate/stops"
              quantity={quantities.stops}
            />
            <LookNumber
              label="Blur"
              name="Blur of the plate"
              edit="Blur of the plate"
              field="plate/blur"
              quantity={blur}
            />
          </Row>
        </Fold>
      )}
    </>
  );
}
