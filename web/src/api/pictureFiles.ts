/** Endings of picture files that the application reads, as a file dialog takes them. */
export const PICTURE_FILES = '.hdr,.exr,.png,.jpg,.jpeg,.webp,.tif,.tiff';

/** Whether a name is that of a picture. */
export function isPicture(name: string): boolean {
  return PICTURE_FILES.split(',').some((end) => name.toLowerCase().endsWith(end));
}
