import type { Material, Operation, ShootDocument } from '../../api/document';
import { ColourOf } from '../../controls/ColourOf';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';

const rougher = withRange({ unit: '', step: 0.01, digits: 3 }, 'reflections', 'roughness');

interface Props {
  material: Material;
  here: (d: ShootDocument) => Material;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

/** An artist's levers on what a material reflects, beside its physical values. */
export function ReflectionDetails({ material, here, set }: Props) {
  const edit = `Reflections of ${material.name}`;
  return (
    <Section title="Reflections">
      <Row>
        <NumberOf
          label="Level"
          name="Level of reflections"
          edit={edit}
          read={(d) => here(d).reflections.level}
          write={(d, v) => set(d, 'reflections/level', v)}
          quantity={quantities.level}
        />
        <NumberOf
          label="Roughness ±"
          name="Roughness of reflections"
          edit={edit}
          read={(d) => here(d).reflections.roughness}
          write={(d, v) => set(d, 'reflections/roughness', v)}
          quantity={rougher}
        />
      </Row>
      <ColourOf
        label="Tint of reflections"
        edit={edit}
        read={(d) => here(d).reflections.tint}
        write={(d, v) => set(d, 'reflections/tint', v)}
      />
    </Section>
  );
}
