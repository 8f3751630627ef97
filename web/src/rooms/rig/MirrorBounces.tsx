import { ColourOf } from '../../controls/ColourOf';
import { NumberOf, Row } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { withRange } from '../../controls/withRange';
import { useDesk } from '../../live/useShoot';

const often = withRange({ unit: '', step: 1, digits: 0 }, 'bounce', 'mirrorBounces');
/** So many that the renderer follows mirrors as far as it follows light. */
const ALL = 64;

const ENDS = [
  { value: 'surroundings', text: 'Surroundings' },
  { value: 'colour', text: 'A colour' },
  { value: 'black', text: 'Black' },
];

/** How far reflections in mirrors are followed, and what the last one shows. */
export function MirrorBounces() {
  const desk = useDesk();
  const { bounce } = desk.document;
  return (
    <>
      <Row>
        <NumberOf
          label="Mirror bounces"
          edit="Mirror bounces"
          read={(d) => d.bounce.mirrorBounces}
          write={(_, v) => [{ op: 'replace', path: '/bounce/mirrorBounces', value: v }]}
          quantity={often}
        />
        {bounce.mirrorBounces < ALL && (
          <PlainSelect
            label="The last shows"
            value={bounce.mirrorEnd}
            options={ENDS}
            onChange={(value) =>
              void desk.keep('What the last mirror shows', [
                { op: 'replace', path: '/bounce/mirrorEnd', value },
              ])
            }
          />
        )}
      </Row>
      {bounce.mirrorBounces < ALL && bounce.mirrorEnd === 'colour' && (
        <ColourOf
          label="Mirror colour"
          edit="Colour of the last mirror"
          read={(d) => d.bounce.mirrorColour}
          write={(_, v) => [{ op: 'replace', path: '/bounce/mirrorColour', value: v }]}
        />
      )}
    </>
  );
}
