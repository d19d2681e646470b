/** People: accounts and roles, signing in and out, and setting up the first administrator. */
package org.zealousladder.server.school.people;
