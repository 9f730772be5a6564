// The page that stands in for one that could not be had: it asks until the server is back, and then goes on.
document.documentElement.dataset.surround = /surround=dark/.test(document.cookie) ? 'dark' : 'light';

const from = Date.now();
setInterval(async () => {
  const seconds = Math.round((Date.now() - from) / 1000);
  document.getElementById('tried').textContent = `Asked for ${seconds} s so far`;
  const answer = await fetch('/api/health').catch(() => null);
  if (answer?.ok) location.reload();
}, 1000);
