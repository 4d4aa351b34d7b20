// Drawn things as the page's own elements.

export const SVG = 'http://www.w3.org/2000/svg';

export function svgElement(name, attributes) {
  const made = document.createElementNS(SVG, name);
  Object.entries(attributes).forEach(([key, value]) => made.setAttribute(key, value));
  return made;
}
