/** What is said and written to students' people, and what came of it. */
@Area(rank = 7, about = "contacts, letters, the outbox")
package org.zealousladder.server.contacts;

import org.zealousladder.server.Area;
