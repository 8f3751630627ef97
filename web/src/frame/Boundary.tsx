import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Component, type ErrorInfo, type ReactNode } from 'react';

interface Props {
  children: ReactNode;
  /** Opens again what failed; the page is loaded anew where this is left out. */
  onAgain?: () => void;
}

/** Shows what happened when a part of the page fails, and offers to open it again. */
export class Boundary extends Component<Props, { error: Error | null }> {
  override state: { error: Error | null } = { error: null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  override componentDidCatch(error: Error, info: ErrorInfo) {
    console.error(error, info.componentStack);
  }

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    return (
      <Box
        role="alert"
        sx={{ height: '100%', display: 'grid', placeContent: 'center', gap: 3, p: 4 }}
      >
        <Typography variant="subtitle2">The page met an error of its own.</Typography>
        <Typography color="text.secondary">{error.message}</Typography>
        <Typography color="text.secondary">All that was answered as saved is kept.</Typography>
        <Button
          variant="outlined"
          onClick={() => {
            this.setState({ error: null });
            if (this.props.onAgain) this.props.onAgain();
            else location.reload();
          }}
        >
          Open again
        </Button>
      </Box>
    );
  }
}
