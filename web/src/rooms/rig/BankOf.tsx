import { Section } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { useDesk } from '../../live/useShoot';
import { banked } from '../../desk/banks';
import type { LightProps } from './props';

const NONE = ' ';
const NEW = ' new';

/** The bank that a light belongs to. */
export function BankOf({ light }: Pick<LightProps, 'light' | 'set'>) {
  const desk = useDesk();
  const { banks } = desk.document;
  return (
    <Section title="Bank">
      <PlainSelect
        label="Shares a fader with"
        value={light.bank ?? NONE}
        options={[
          { value: NONE, text: 'no other light' },
          ...banks.map((b) => ({ value: b.id, text: b.name })),
          { value: NEW, text: 'a new bank' },
        ]}
        onChange={(to) => {
          const { document } = desk.state;
          const bank = to === NONE ? null : to === NEW ? undefined : to;
          void desk.keep(`Bank of ${light.name}`, banked([light.id], bank, document));
        }}
      />
    </Section>
  );
}
