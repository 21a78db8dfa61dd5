// Addresses in a job's page don't say from which side one looks: the page does, so that the pieces beside the drawing are the same from every side.

/** An address with more in its query. */
export const withQuery = (address, more) => `${address}${address.includes('?') ? '&' : '?'}${more}`;

/** An address of the job that is open, with the side that is shown. */
function looked(address) {
  const board = document.getElementById('board');
  const view = board?.querySelector('.wall-pane')?.dataset.view;
  return view && address?.startsWith(`/jobs/${board.dataset.job}/`) && !/[?&]view=/.test(address) ? withQuery(address, 'view=' + view) : address;
}

/** Adds the side that is shown to what is asked for and to the browser's history. */
export function addresses() {
  document.body.addEventListener('htmx:configRequest', ({ detail }) => { detail.path = looked(detail.path); });
  document.body.addEventListener('htmx:beforeHistoryUpdate', ({ detail }) => { detail.history.path = looked(detail.history.path); });
}
