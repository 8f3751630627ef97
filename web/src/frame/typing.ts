/** Whether what is typed goes into a text. */
export function typing(): boolean {
  const at = document.activeElement;
  return at instanceof HTMLInputElement || at instanceof HTMLTextAreaElement;
}
