/** Signing in by the school's own sign-in (OpenID Connect). */
package org.zealousladder.server.school.elsewhere;
