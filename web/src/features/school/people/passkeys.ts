import { startAuthentication, startRegistration, WebAuthnError } from '@simplewebauthn/browser';
import { api, data } from '../../../api/client';

/** What the browser says when somebody closed its window, or took too long, is no sentence for people. */
async function asked<T>(ask: () => Promise<T>, doing: string): Promise<T> {
  try {
    return await ask();
  } catch (e) {
    if (e instanceof WebAuthnError && e.code === 'ERROR_AUTHENTICATOR_PREVIOUSLY_REGISTERED') {
      throw new Error('This device has a passkey of yours already.');
    }
    if (e instanceof Error && (e.name === 'NotAllowedError' || e.name === 'AbortError')) {
      throw new Error(`The device was not asked to the end, so ${doing}. Try again.`);
    }
    throw e;
  }
}

export async function signInWithPasskey(): Promise<void> {
  const { options } = await data(api.POST('/api/passkey/options'));
  const answer = await asked(() => startAuthentication({ optionsJSON: JSON.parse(options) }), 'nobody is signed in');
  await data(api.POST('/api/passkey/session', { body: { credential: JSON.stringify(answer) } }));
}

export async function makePasskey(current: string, name: string): Promise<void> {
  const { options } = await data(api.POST('/api/account/passkeys/options', { body: { current } }));
  const made = await asked(() => startRegistration({ optionsJSON: JSON.parse(options) }), 'no passkey was made');
  await data(api.POST('/api/account/passkeys', { body: { credential: JSON.stringify(made), name } }));
}
