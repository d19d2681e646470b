package org.zealousladder.server.contacts.contacts;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Contacts of the students in scope.
 *
 * @param due those whose day to look again has come, and nobody has looked
 * @param contacts the newest first
 * @param mailPage where a stand-in for a mail server shows what went out; null where there is none
 */
record ContactsView(List<Contact> due, List<Contact> contacts, boolean mail, @Nullable String mailPage) {}
