import { closeSnackbar, enqueueSnackbar } from 'notistack';
import { useCallback } from 'react';
import { fetched, saveAs } from '../api/download';
import { say } from './useShoot';

/** Downloads shorter than this are over before anybody would read of them. */
const QUICK_MILLIS = 600;

const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;

/** Saves a file of the application: says how far it has got, and a refusal in words. */
export function useDownload(): (url: string) => Promise<void> {
  return useCallback(async (url: string) => {
    const begin = performance.now();
    let told = 0;
    const key = `download ${url}`;
    const tell = (text: string) => {
      enqueueSnackbar(text, { key, persist: true, preventDuplicate: false });
    };
    const waiting = setTimeout(() => tell('The file is being made …'), QUICK_MILLIS);
    try {
      const { name, blob } = await fetched(url, ({ bytes, of }) => {
        const now = performance.now();
        if (now - begin < QUICK_MILLIS || now - told < 300) return;
        told = now;
        closeSnackbar(key);
        tell(of ? `${megabytes(bytes)} of ${megabytes(of)}` : megabytes(bytes));
      });
      saveAs(name, blob);
    } catch (error) {
      say(error);
    } finally {
      clearTimeout(waiting);
      closeSnackbar(key);
    }
  }, []);
}
