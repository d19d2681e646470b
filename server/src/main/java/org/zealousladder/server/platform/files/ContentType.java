package org.zealousladder.server.platform.files;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.zealousladder.core.Coded;

/** What a file is, told by its content; what it is called says nothing. */
public enum ContentType implements Coded {
    PDF("application/pdf", "pdf"),
    PNG("image/png", "png"),
    JPEG("image/jpeg", "jpg"),
    GIF("image/gif", "gif"),
    WEBP("image/webp", "webp"),
    /** In UTF-8, without characters that control a machine. */
    TEXT("text/plain;charset=UTF-8", "txt");

    private final String mediaType;
    private final String ending;

    ContentType(String mediaType, String ending) {
        this.mediaType = mediaType;
        this.ending = ending;
    }

    public String mediaType() {
        return mediaType;
    }

    /** Of a file's name, without the dot. */
    public String ending() {
        return ending;
    }

    public boolean picture() {
        return this != PDF && this != TEXT;
    }

    /** Empty for whatever else it is, and for nothing at all. */
    public static Optional<ContentType> of(byte[] b) {
        if (starts(b, 0, '%', 'P', 'D', 'F', '-')) {
            return Optional.of(PDF);
        } else if (starts(b, 0, 0x89, 'P', 'N', 'G')) {
            return Optional.of(PNG);
        } else if (starts(b, 0, 0xff, 0xd8, 0xff)) {
            return Optional.of(JPEG);
        } else if (starts(b, 0, 'G', 'I', 'F', '8')) {
            return Optional.of(GIF);
        } else if (starts(b, 0, 'R', 'I', 'F', 'F') && starts(b, 8, 'W', 'E', 'B', 'P')) {
            return Optional.of(WEBP);
        }
        return b.length > 0 && text(b) ? Optional.of(TEXT) : Optional.empty();
    }

    private static boolean starts(byte[] b, int at, int... with) {
        if (b.length < at + with.length) {
            return false;
        }
        for (int i = 0; i < with.length; i++) {
            if ((b[at + i] & 0xff) != with[i]) {
                return false;
            }
        }
        return true;
    }

    private static boolean text(byte[] b) {
        try {
            return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(b)).chars()
                    .allMatch(c -> c == '\t' || c == '\n' || c == '\r' || c == '\f' || !Character.isISOControl(c));
        } catch (CharacterCodingException e) {
            return false;
        }
    }
}
