/** Puts a text on the clipboard; over plain http, where browsers keep their own way shut, by the old one. @returns whether it is there */
export async function copyText(text: string): Promise<boolean> {
  // Typed as always there, and missing where the page is not secure.
  const clipboard = navigator.clipboard as Clipboard | undefined;
  if (clipboard) {
    const done = await clipboard.writeText(text).then(
      () => true,
      () => false,
    );
    if (done) return true;
  }
  const field = document.createElement('textarea');
  field.value = text;
  field.style.position = 'fixed';
  field.style.opacity = '0';
  document.body.append(field);
  field.select();
  const done = document.execCommand('copy');
  field.remove();
  return done;
}
