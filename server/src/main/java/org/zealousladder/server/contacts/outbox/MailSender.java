package org.zealousladder.server.contacts.outbox;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.util.Properties;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.stereotype.Component;

/** Hands one letter to the mail server. */
@Component
class MailSender {
    private final MailProperties settings;
    private final JavaMailSenderImpl smtp = new JavaMailSenderImpl();

    MailSender(MailProperties settings) {
        this.settings = settings;
        smtp.setHost(settings.host());
        smtp.setPort(settings.port());
        smtp.setDefaultEncoding(StandardCharsets.UTF_8.name());
        Properties p = smtp.getJavaMailProperties();
        p.setProperty("mail.smtp.connectiontimeout", "10000");
        p.setProperty("mail.smtp.timeout", "20000");
        p.setProperty("mail.smtp.writetimeout", "20000");
        p.setProperty("mail.smtp.starttls.enable", String.valueOf(settings.tls()));
        p.setProperty("mail.smtp.starttls.required", String.valueOf(settings.tls()));
        p.setProperty("mail.mime.allowutf8", "false");
        if (settings.user() != null && !settings.user().isBlank()) {
            p.setProperty("mail.smtp.auth", "true");
            smtp.setUsername(settings.user());
            smtp.setPassword(settings.password());
        }
    }

    /** @throws org.springframework.mail.MailException where it is not taken */
    void send(OutboxStore.Due letter) throws MessagingException, UnsupportedEncodingException {
        MimeMessage message = new Numbered(smtp, letter.messageId());
        message.setFrom(new InternetAddress(settings.from(), letter.replyName(), "UTF-8"));
        message.setReplyTo(new InternetAddress[] {new InternetAddress(letter.replyAddress(), letter.replyName(), "UTF-8")});
        message.setRecipient(MimeMessage.RecipientType.TO, new InternetAddress(letter.toAddress(), letter.toName(), "UTF-8"));
        message.setSubject(letter.subject(), "UTF-8");
        message.setText(letter.body(), "UTF-8");
        message.setSentDate(new java.util.Date());
        smtp.send(message);
    }

    /** Keeps the number that was written down before: by it a letter that went out twice would be known. */
    private static final class Numbered extends MimeMessage {
        private final String id;

        Numbered(JavaMailSenderImpl smtp, String id) {
            super(smtp.getSession());
            this.id = id;
        }

        @Override
        protected void updateMessageID() throws MessagingException {
            setHeader("Message-ID", id);
        }
    }
}
