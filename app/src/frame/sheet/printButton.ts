/** The sheets are drawn on the server; only their button is alive. */
document.getElementById('print')?.addEventListener('click', () => {
  window.print();
});
