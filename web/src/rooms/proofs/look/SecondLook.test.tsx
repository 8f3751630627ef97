import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { afterEach, expect, test, vi } from 'vitest';
import { api } from '../../../api/client';
import type { Finding, ShootDocument } from '../../../api/document';
import { ShootContext, type ShootDesk } from '../../../live/useShoot';
import { useProofChoice } from '../useProofs';
import { FindingMark } from './FindingMark';
import { SecondLookDetails } from './SecondLookDetails';
import { useFindingChoice, weightWord } from './useFindings';

const keep = vi.fn(() => Promise.resolve(true));
const tryOut = vi.fn();
const leave = vi.fn();

const finding = (part: Partial<Finding> = {}): Finding => ({
  kind: 'BURNT',
  key: 'burnt:key',
  light: 'key',
  piece: null,
  weight: 0.7,
  what: '3.0 % of the picture is burnt out.',
  why: 'Where all is white, shape is gone.',
  region: { left: 0.1, top: 0.2, width: 0.3, height: 0.4 },
  mends: [
    {
      text: 'Lower Key by 1.0 stops',
      operations: [{ op: 'replace', path: '/lights/0/levelStops', value: -1 }],
    },
  ] as never,
  silenced: null,
  ...part,
});

function shown(findings: Finding[] | null) {
  vi.spyOn(api, 'findings').mockResolvedValue(
    findings && { samples: 16.4, seconds: 0.2, findings },
  );
  useProofChoice.setState({ page: 'look' });
  const document = {
    meter: { silenced: [{ finding: 'noise:dome', reason: 'It is a draft' }] },
  } as unknown as ShootDocument;
  const desk = { state: { document, id: 'a', revision: 3 }, document, keep, tryOut, leave };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <SnackbarProvider>
        <ShootContext.Provider value={desk as unknown as ShootDesk}>
          <SecondLookDetails />
          <FindingMark scale={1} />
        </ShootContext.Provider>
      </SnackbarProvider>
    </QueryClientProvider>,
  );
}

afterEach(() => {
  vi.restoreAllMocks();
  for (const f of [keep, tryOut, leave]) f.mockClear();
  useFindingChoice.setState(useFindingChoice.getInitialState(), true);
  useProofChoice.setState(useProofChoice.getInitialState(), true);
});

test('a finding says what was measured, why it matters and where', async () => {
  shown([finding()]);
  expect(await screen.findByText('1 finding in this shot, at 16 samples.')).toBeVisible();
  expect(screen.getByText('serious')).toBeVisible();
  expect(screen.queryByTestId('finding-region')).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: /burnt out/ }));
  expect(screen.getByText('Where all is white, shape is gone.')).toBeVisible();
  expect(screen.getByRole('img', { name: 'Where it is seen' })).toBeInTheDocument();
  expect(await screen.findByTestId('finding-region')).toHaveStyle({ left: '10%', width: '30%' });
});

test('a mend is shown under the pointer and made by a click, as one edit', async () => {
  shown([finding()]);
  await userEvent.click(await screen.findByRole('button', { name: /burnt out/ }));
  const mend = screen.getByRole('button', { name: 'Lower Key by 1.0 stops' });
  await userEvent.hover(mend);
  expect(tryOut).toHaveBeenCalledWith(finding().mends[0]!.operations);
  await userEvent.unhover(mend);
  expect(leave).toHaveBeenCalled();
  await userEvent.click(mend);
  expect(keep).toHaveBeenCalledWith('Lower Key by 1.0 stops', finding().mends[0]!.operations);
});

test('a mend is shown while a key has brought the focus to it', async () => {
  shown([finding()]);
  await userEvent.click(await screen.findByRole('button', { name: /burnt out/ }));
  await userEvent.tab();
  expect(screen.getByRole('button', { name: 'Lower Key by 1.0 stops' })).toHaveFocus();
  expect(tryOut).toHaveBeenCalledWith(finding().mends[0]!.operations);
  await userEvent.tab();
  expect(leave).toHaveBeenCalled();
  await userEvent.tab({ shift: true });
  await userEvent.keyboard('{Enter}');
  expect(keep).toHaveBeenCalledWith('Lower Key by 1.0 stops', finding().mends[0]!.operations);
});

test('a finding is silenced with a reason, and heard again', async () => {
  shown([finding(), finding({ key: 'noise:dome', what: 'Noise.', silenced: 'It is a draft' })]);
  await userEvent.click(await screen.findByRole('button', { name: /burnt out/ }));
  await userEvent.click(screen.getByRole('button', { name: 'Silence' }));
  await userEvent.type(screen.getByLabelText('Reason'), 'A bright day{Enter}');
  expect(keep).toHaveBeenCalledWith('Silence finding', [
    {
      op: 'replace',
      path: '/meter/silenced',
      value: [
        { finding: 'noise:dome', reason: 'It is a draft' },
        { finding: 'burnt:key', reason: 'A bright day' },
      ],
    },
  ]);
  await userEvent.click(screen.getByRole('button', { name: 'Silenced: 1' }));
  const list = screen.getByRole('list', { name: 'Silenced findings' });
  await userEvent.click(within(list).getByRole('button', { name: /Noise/ }));
  expect(screen.getByText('Silenced: It is a draft')).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Show again' }));
  expect(keep).toHaveBeenLastCalledWith('Show finding again', [
    { op: 'replace', path: '/meter/silenced', value: [] },
  ]);
});

test('without findings, and before there is a sample, that is said', async () => {
  shown([]);
  expect(await screen.findByText('Nothing stands out in the light of this shot.')).toBeVisible();
});

test('before there is a whole sample it waits', async () => {
  shown(null);
  expect(await screen.findByText(/as soon as it has a whole sample/)).toBeVisible();
});

test('weights have words', () => {
  expect([0.9, 0.4, 0.2].map(weightWord)).toEqual(['serious', 'notable', 'minor']);
});
