import type { ShootDocument } from '../../api/document';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { quantities, type Quantity } from '../../controls/quantity';

const turns: Quantity = { unit: '', least: 1, most: 64, step: 1, digits: 0 };
const level: Quantity = {
  unit: '',
  others: { '%': 0.01 },
  least: 0,
  most: 4,
  step: 0.05,
  digits: 2,
};
const fades: Quantity = { ...quantities.length, least: 0 };

/** How light goes on from surface to surface. */
export function BounceDetails() {
  const number = (label: string, field: keyof ShootDocument['bounce'], quantity: Quantity) => (
    <NumberOf
      label={label}
      edit="Bounced light"
      read={(d) => d.bounce[field]}
      write={(_, v) => [{ op: 'replace', path: `/bounce/${field}`, value: v }]}
      quantity={quantity}
    />
  );
  return (
    <Section title="Bounced light">
      <Row>
        {number('Max bounces', 'maxBounces', turns)}
        {number('Level', 'level', level)}
        {number('Fades at', 'fadesAtMetres', fades)}
      </Row>
    </Section>
  );
}
