/** Letters to people at home, to students and to colleagues: one text with fields, one letter each, seen before it goes. */
@NullMarked
package org.zealousladder.server.contacts.letters;

import org.jspecify.annotations.NullMarked;
