// A device confirms who somebody is: at signing in, and when it is made known.
const host = window.location.hostname;
const isThere = 'credentials' in navigator && 'PublicKeyCredential' in window;

const bytes = (text) =>
    Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (one) => one.charCodeAt(0));
const text = (buffer) =>
    btoa(String.fromCharCode(...new Uint8Array(buffer)))
        .replaceAll('+', '-')
        .replaceAll('/', '_')
        .replace(/=+$/, '');

/** Sends a form with what a device says; where it says nothing, the form stays and says so. */
async function send(form, ask) {
    const fault = form.querySelector('[data-passkey-fault]');
    fault.hidden = true;
    try {
        form.elements.passkey.value = JSON.stringify(await ask());
        HTMLFormElement.prototype.submit.call(form);
    } catch {
        fault.hidden = false;
    }
}

const use = document.querySelector('[data-passkey-use]');
if (use && isThere) {
    use.hidden = false;
    use.addEventListener('click', () =>
        send(use.form, async () => {
            const given = await navigator.credentials.get({
                publicKey: {
                    challenge: bytes(use.dataset.passkeyUse),
                    rpId: host,
                    userVerification: 'preferred',
                },
            });
            return {
                id: given.id,
                clientData: text(given.response.clientDataJSON),
                authenticatorData: text(given.response.authenticatorData),
                signature: text(given.response.signature),
            };
        }),
    );
}

const make = document.querySelector('[data-passkey-make]');
if (make) {
    make.addEventListener('submit', (event) => {
        event.preventDefault();
        send(make, async () => {
            const { user, email, name, passkeyMake } = make.dataset;
            const made = await navigator.credentials.create({
                publicKey: {
                    challenge: bytes(passkeyMake),
                    rp: { id: host, name: 'Lucid Ascent' },
                    user: { id: new TextEncoder().encode(user), name: email, displayName: name },
                    pubKeyCredParams: [
                        { type: 'public-key', alg: -7 },
                        { type: 'public-key', alg: -257 },
                    ],
                    authenticatorSelection: { residentKey: 'required', userVerification: 'preferred' },
                },
            });
            return {
                clientData: text(made.response.clientDataJSON),
                authenticatorData: text(made.response.getAuthenticatorData()),
                publicKey: text(made.response.getPublicKey()),
            };
        });
    });
}
