/* global document, window, getComputedStyle */
/**
 * Runs in the page, so it is plain JavaScript: text that leaves its box, controls that lie on each
 * other or out of reach, overlays without a ground.
 */
function measureFaults() {
  const faults = [];
  const nameOf = (e) =>
    `${e.tagName.toLowerCase()}.${e.getAttribute('class')?.split(' ')[0] ?? ''} “${(e.getAttribute('aria-label') ?? e.textContent).trim().slice(0, 40)}”`;
  const style = (e) => getComputedStyle(e);
  const isShown = (e) => {
    const box = e.getBoundingClientRect();
    return box.width > 1 && box.height > 1 && e.checkVisibility({ opacityProperty: true });
  };
  const scrollsSideways = (e) =>
    e !== null &&
    (['auto', 'scroll'].includes(style(e).overflowX) || scrollsSideways(e.parentElement));
  /** What shows of an element where the boxes that scroll around it have cut it. */
  const visibleBox = (e) => {
    let { left, right, top, bottom } = e.getBoundingClientRect();
    for (let p = e.parentElement; p; p = p.parentElement) {
      if (style(p).overflow === 'visible') continue;
      const box = p.getBoundingClientRect();
      [left, right] = [Math.max(left, box.left), Math.min(right, box.right)];
      [top, bottom] = [Math.max(top, box.top), Math.min(bottom, box.bottom)];
    }
    return { left, right, top, bottom };
  };
  const overlays = [...document.querySelectorAll('.v-overlay--active .v-overlay__content')];
  const scope = overlays.at(-1) ?? document.body;

  if (document.documentElement.scrollWidth > window.innerWidth + 1) {
    faults.push(`the page is ${document.documentElement.scrollWidth} wide on ${window.innerWidth}`);
  }
  for (const overlay of overlays) {
    const ground = [overlay, ...overlay.children].some((e) => {
      const [, , , alpha = '1'] = style(e).backgroundColor.match(/[\d.]+/g) ?? [];
      return style(e).backgroundColor !== 'rgba(0, 0, 0, 0)' && Number(alpha) === 1;
    });
    if (!ground) faults.push(`no ground of its own: ${nameOf(overlay)}`);
  }
  for (const e of scope.querySelectorAll('*')) {
    if (!isShown(e) || e.closest('svg, canvas, .v-input, .v-progress-linear')) continue;
    const { overflowX, textOverflow } = style(e);
    const cut = e.scrollWidth > e.clientWidth + 2 && e.clientWidth > 8;
    if (cut && overflowX === 'hidden' && textOverflow !== 'ellipsis' && e.textContent.trim()) {
      faults.push(`text is cut off: ${nameOf(e)}`);
    }
    const ownText = [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent?.trim());
    if (ownText && overflowX === 'visible' && cut && style(e).display !== 'inline') {
      faults.push(`text leaves its box: ${nameOf(e)}`);
    }
  }
  const controls = [
    ...scope.querySelectorAll('a, button, input, select, textarea, [role="slider"]'),
  ].filter((e) => isShown(e) && !e.closest('.v-field, .v-input, .v-slider'));
  for (const e of controls) {
    const { left, right } = e.getBoundingClientRect();
    if ((left < -1 || right > window.innerWidth + 1) && !scrollsSideways(e.parentElement)) {
      faults.push(`out of reach: ${nameOf(e)}`);
    }
  }
  const boxes = controls
    .filter((e) => style(e).display !== 'inline')
    .map((e) => [e, visibleBox(e)]);
  for (const [i, [one, a]] of boxes.entries()) {
    for (const [other, b] of boxes.slice(i + 1)) {
      if (one.contains(other) || other.contains(one)) continue;
      const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left);
      const high = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
      if (wide > 3 && high > 3) faults.push(`${nameOf(one)} lies on ${nameOf(other)}`);
    }
  }
  return [...new Set(faults)];
}

measureFaults();
