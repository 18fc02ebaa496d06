// A drawing that the server made goes into its place; nothing else than a drawing does.
export const drawInto = (place, markup) => {
    const svg = new DOMParser().parseFromString(markup, 'image/svg+xml').documentElement;
    if (place && svg.localName === 'svg') {
        place.replaceChildren(document.importNode(svg, true));
    }
};
