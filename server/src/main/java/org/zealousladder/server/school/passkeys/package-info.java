/** Signing in with a passkey: a key that a device keeps, instead of a password. */
package org.zealousladder.server.school.passkeys;
