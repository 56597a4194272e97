/** The file somebody picked, if any; the same one can be picked again afterwards. */
export function pickedFile(event: Event): File | null {
  const picker = event.target as HTMLInputElement;
  const file = picker.files?.[0] ?? null;
  picker.value = '';
  return file;
}
