import { Fold } from '../../controls/Fold';
import { Row } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { LookNumber } from './LookNumber';
import { useLook } from './useLook';

const CURVES = [
  { value: 'plain', text: 'Plain, with a shoulder' },
  { value: 'negative', text: 'Colour negative, soft' },
  { value: 'slide', text: 'Slide, steep' },
  { value: 'baryta', text: 'Baryta paper' },
];

const held = withRange({ unit: 'st', step: 0.1, digits: 2 }, 'look', 'highlightRangeStops');
const black = withRange({ unit: '', step: 0.002, digits: 3 }, 'look', 'blackPoint');
const power = withRange({ unit: '', step: 0.02, digits: 2 }, 'look', 'contrast');
const colour = withRange({ unit: '', step: 0.02, digits: 2 }, 'look', 'saturation');
const reach = withRange(quantities.length, 'contactShade', 'reach');

/** Curve, contrast and colour, and the contact shade. */
export function ToneDetails() {
  const { look, keep } = useLook();
  return (
    <>
      <Fold
        title="Curve"
        open
        changed={
          look.curve !== 'plain' ||
          look.contrast !== 1 ||
          look.saturation !== 1 ||
          look.blackPoint !== 0
        }
      >
        <PlainSelect
          label="From light to display"
          value={look.curve}
          options={CURVES}
          onChange={(value) => keep('Curve', 'curve', value)}
        />
        <Row>
          {look.curve === 'plain' && (
            <LookNumber
              label="Shoulder at"
              edit="Shoulder"
              field="shoulderStart"
              quantity={quantities.share}
            />
          )}
          <LookNumber
            label="Highlight range"
            edit="Shoulder"
            field="highlightRangeStops"
            quantity={held}
          />
          <LookNumber
            label="Highlight desaturation"
            edit="Highlight desaturation"
            field="highlightDesaturation"
            quantity={quantities.share}
          />
        </Row>
        <Row>
          <LookNumber label="Black point" edit="Black point" field="blackPoint" quantity={black} />
          <LookNumber label="Contrast" edit="Contrast" field="contrast" quantity={power} />
          <LookNumber label="Saturation" edit="Saturation" field="saturation" quantity={colour} />
        </Row>
      </Fold>
      <Fold title="Contact shade" changed={look.contact.amount > 0}>
        <Row>
          <LookNumber
            label="Amount"
            name="Amount of contact shade"
            edit="Contact shade"
            field="contact/amount"
            quantity={quantities.share}
          />
          <LookNumber
            label="Reach"
            name="Reach of contact shade"
            edit="Contact shade"
            field="contact/reach"
            quantity={reach}
          />
        </Row>
      </Fold>
    </>
  );
}
