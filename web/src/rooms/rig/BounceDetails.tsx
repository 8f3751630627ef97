import Typography from '@mui/material/Typography';
import type { ShootDocument } from '../../api/document';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { useDesk } from '../../live/useShoot';
import { percent, shareOverGloss } from '../../live/overGloss';
import { useLive } from '../../live/store';
import { MirrorBounces } from './MirrorBounces';

const turns = withRange({ unit: '', step: 1, digits: 0 }, 'bounce', 'maxBounces');
const fades = withRange(quantities.length, 'bounce', 'fadesAtMetres');

type OverGloss = ShootDocument['bounce']['overGloss'];

const WAYS: { value: OverGloss; text: string }[] = [
  { value: 'everything', text: 'Everything' },
  { value: 'soft', text: 'Soft' },
  { value: 'none', text: 'None' },
];

/** What becomes of light over gloss, and how much of each light that is. */
function LightOverGloss() {
  const desk = useDesk();
  const progress = useLive((s) => s.progress);
  const { lights, bounce } = desk.document;
  const shares = progress?.overGloss ?? {};
  const whole = shareOverGloss(desk.document, progress);
  const most = lights
    .map((l) => ({ name: l.name, share: shares[l.id] ?? 0 }))
    .filter((l) => l.share >= 0.005)
    .sort((a, b) => b.share - a.share);
  return (
    <>
      <PlainSelect
        label="Light over gloss"
        value={bounce.overGloss}
        options={WAYS}
        onChange={(value) =>
          void desk.keep('Light over gloss', [{ op: 'replace', path: '/bounce/overGloss', value }])
        }
      />
      {bounce.overGloss !== 'everything' && (
        <Typography variant="caption" color="text.secondary">
          {bounce.overGloss === 'soft' ? 'Softened' : 'Left out'}: {percent(whole)} of the picture’s
          light
          {most.length > 0 &&
            `; ${most
              .slice(0, 3)
              .map((l) => `${l.name} ${percent(l.share)}`)
              .join(', ')}, each of its own`}
          .
        </Typography>
      )}
    </>
  );
}

/** How light goes on from surface to surface. */
export function BounceDetails() {
  const number = (
    label: string,
    field: 'maxBounces' | 'level' | 'fadesAtMetres',
    quantity: Quantity,
  ) => (
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
        {number('Level', 'level', quantities.level)}
        {number('Fades at', 'fadesAtMetres', fades)}
      </Row>
      <LightOverGloss />
      <MirrorBounces />
    </Section>
  );
}
