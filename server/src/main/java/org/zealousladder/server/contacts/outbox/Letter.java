package org.zealousladder.server.contacts.outbox;

import org.jspecify.annotations.Nullable;

/** A letter to one person, as it goes out. @param studentId whom it is about; null: nobody @param replyAddress of who wrote it */
public record Letter(@Nullable Integer studentId, String toName, String toAddress, @Nullable String language, String subject, String body, String replyName,
        String replyAddress) {}
