// The private address as a picture to be scanned: drawn here, so that it goes to nobody.
import { renderSVG } from '../vendor/uqr.js';
import { drawInto } from './picture.js';

const place = document.querySelector('[data-own-address]');
if (place) {
    // As seen from this page: a phone beside it finds the same server by the name that this browser uses.
    const address = place.dataset.ownAddress;
    drawInto(place.querySelector('[data-qr]'), renderSVG(address, { ecc: 'M', border: 2 }));
    const written = place.querySelector('[data-address]');
    if (written) {
        written.textContent = address;
    }
}
