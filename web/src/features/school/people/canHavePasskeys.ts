/** A passkey belongs to a name of the server, not to a number. By itself, so that who has none fetches nothing for it. */
export const canHavePasskeys = () => 'PublicKeyCredential' in window && !/^[\d.]+$|^\[/.test(window.location.hostname);
