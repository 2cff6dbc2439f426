/** How to launch Debian's Chromium on a machine without network. */
export const chromiumLaunch = (executablePath) => ({
  executablePath,
  args: [
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
