import UploadFileIcon from '@mui/icons-material/UploadFile';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api } from '../../api/client';
import type { Imported } from '../../api/document';
import { PlainSelect } from '../../controls/PlainSelect';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';

type Report = Imported['report'];

const UNITS = [
  { value: '1', text: 'metres' },
  { value: '0.01', text: 'centimetres' },
  { value: '0.001', text: 'millimetres' },
  { value: '0.0254', text: 'inches' },
  { value: '0.3048', text: 'feet' },
];

/** Imports a model, and says what came of it, what was left out and how large it is. */
export function ImportModel() {
  const desk = useDesk();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const [unit, setUnit] = useState('1');
  const [busy, setBusy] = useState(false);
  const [report, setReport] = useState<Report | null>(null);

  const importModel = async (model: File, metresPerUnit: string, again: boolean) => {
    setBusy(true);
    setFile(model);
    setUnit(metresPerUnit);
    if (again) await desk.run((revision) => api.undo(desk.state.id, revision));
    let imported: Imported | null = null;
    const done = await desk.run(async (revision) => {
      imported = await api.importModel(desk.state.id, revision, Number(metresPerUnit), model);
      return imported.state;
    });
    setBusy(false);
    const came = imported as Imported | null;
    setReport(done && came ? came.report : null);
    if (came) useChoice.setState({ piece: came.report.piece });
  };

  return (
    <>
      <Button
        variant="outlined"
        color="inherit"
        startIcon={<UploadFileIcon />}
        disabled={busy}
        onClick={() => input.current?.click()}
        sx={{ minWidth: 0, borderColor: colours.line }}
      >
        {busy ? 'Importing …' : 'Import'}
      </Button>
      {busy && file && <Progress size={file.size} />}
      <input
        ref={input}
        type="file"
        hidden
        accept=".glb,.gltf,.obj,.zip"
        aria-label="Model to import"
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          e.target.value = '';
          if (chosen) void importModel(chosen, '1', false);
        }}
      />
      <Dialog open={report !== null} onClose={() => setReport(null)} maxWidth="xs" fullWidth>
        {report && file && (
          <>
            <DialogTitle sx={{ fontSize: 16, pb: 2 }}>{file.name} is in the set</DialogTitle>
            <DialogContent>
              <Lines title="Imported" lines={report.came} />
              <Box sx={{ display: 'flex', alignItems: 'end', gap: 3, mb: 3 }}>
                <Box sx={{ flex: 1 }}>
                  <Typography variant="subtitle2">Size</Typography>
                  <Typography sx={{ fontFamily: mono, fontSize: 12 }}>
                    {metres(report.sizeMetres)}
                  </Typography>
                </Box>
                <Box sx={{ width: 140 }}>
                  <PlainSelect
                    label="The file is in"
                    value={unit}
                    options={UNITS}
                    onChange={(value) => void importModel(file, value, true)}
                  />
                </Box>
              </Box>
              <Lines title="Check" lines={report.hints} colour={colours.warning} />
              <Lines title="Left out" lines={report.left} />
            </DialogContent>
            <DialogActions>
              <Button
                color="inherit"
                disabled={busy}
                onClick={() => {
                  setReport(null);
                  desk.undo();
                }}
              >
                Undo import
              </Button>
              <Button disabled={busy} onClick={() => setReport(null)}>
                Keep
              </Button>
            </DialogActions>
          </>
        )}
      </Dialog>
    </>
  );
}

/** How far an import has got: first the file goes over, then it is read. */
function Progress({ size }: { size: number }) {
  const desk = useDesk();
  const { data } = useQuery({
    queryKey: ['import', desk.state.id],
    queryFn: () => api.importProgress(desk.state.id),
    refetchInterval: 250,
    gcTime: 0,
  });
  return (
    <Box role="status">
      <LinearProgress
        variant={data ? 'determinate' : 'indeterminate'}
        value={100 * (data?.part ?? 0)}
      />
      <Typography variant="caption" component="p" color="text.secondary">
        {data?.what ?? `Sending ${(size / 1e6).toFixed(1)} MB`}
      </Typography>
    </Box>
  );
}

function metres(size: number[]): string {
  return `${size.map((s) => Number(s.toPrecision(3)).toLocaleString('en', { useGrouping: false })).join(' × ')} m`;
}

function Lines({ title, lines, colour }: { title: string; lines: string[]; colour?: string }) {
  if (lines.length === 0) return null;
  return (
    <Box sx={{ mb: 3 }}>
      <Typography variant="subtitle2" sx={{ color: colour }}>
        {title}
      </Typography>
      {lines.map((line) => (
        <Typography key={line} variant="body2">
          {line}
        </Typography>
      ))}
    </Box>
  );
}
