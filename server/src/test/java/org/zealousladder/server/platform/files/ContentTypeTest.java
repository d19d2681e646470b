package org.zealousladder.server.platform.files;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ContentTypeTest {
    private static Optional<ContentType> of(String text) {
        return ContentType.of(text.getBytes(StandardCharsets.ISO_8859_1));
    }

    @Test
    void itIsWhatItBeginsWith() {
        assertEquals(Optional.of(ContentType.PDF), of("%PDF-1.4\n\u0000\u0001"));
        assertEquals(Optional.of(ContentType.PNG), of("\u0089PNG\r\n\u001a\n\u0000"));
        assertEquals(Optional.of(ContentType.JPEG), of("\u00ff\u00d8\u00ff\u00e0"));
        assertEquals(Optional.of(ContentType.GIF), of("GIF89a\u0000"));
        assertEquals(Optional.of(ContentType.WEBP), of("RIFF\u0000\u0000\u0000\u0000WEBPVP8 "));
        assertEquals(Optional.empty(), of("MZ\u0090\u0000\u0003"));
        assertEquals(Optional.empty(), of("PK\u0003\u0004"));
        assertEquals(Optional.empty(), of("RIFF\u0000\u0000\u0000\u0000WAVEfmt "));
        assertEquals(Optional.empty(), ContentType.of(new byte[0]));
    }

    @Test
    void aTextIsUtf8WithoutWhatControlsAMachine() {
        assertEquals(Optional.of(ContentType.TEXT), ContentType.of("Łódź\t1\r\n\f".getBytes(StandardCharsets.UTF_8)));
        assertEquals(Optional.of(ContentType.TEXT), of("%PDG not quite"));
        assertEquals(Optional.empty(), ContentType.of("Łódź".getBytes(StandardCharsets.UTF_16LE)));
        assertEquals(Optional.empty(), of("caf\u00e9"));
        assertEquals(Optional.empty(), of("a\u001b[31m"));
    }

    /** Whatever is cut off its beginning or after a few bytes is never called more than it is. */
    @Test
    void noiseIsNothing() {
        Random random = new Random(3);
        int texts = 0;
        for (int i = 0; i < 5000; i++) {
            byte[] b = new byte[8 + random.nextInt(40)];
            random.nextBytes(b);
            b[0] = 0;
            texts += ContentType.of(b).isPresent() ? 1 : 0;
        }
        assertEquals(0, texts);
        byte[] png = {(byte) 0x89, 'P', 'N', 'G'};
        for (int n = 0; n < 4; n++) {
            assertEquals(Optional.empty(), ContentType.of(Arrays.copyOf(png, n)));
        }
    }

    @Test
    void eachHasAnEndingOfItsOwn() {
        List<String> endings = Arrays.stream(ContentType.values()).map(ContentType::ending).toList();
        assertEquals(endings.stream().distinct().toList(), endings);
        assertEquals(List.of(ContentType.PNG, ContentType.JPEG, ContentType.GIF, ContentType.WEBP),
                Arrays.stream(ContentType.values()).filter(ContentType::picture).toList());
    }
}
