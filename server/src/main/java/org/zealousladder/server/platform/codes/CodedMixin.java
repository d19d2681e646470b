package org.zealousladder.server.platform.codes;

import com.fasterxml.jackson.annotation.JsonValue;
import org.springframework.boot.jackson.JacksonMixin;
import org.zealousladder.core.Coded;

/** JSON writes and reads the code. The core knows nothing of JSON, so it is said here. */
@JacksonMixin(Coded.class)
interface CodedMixin {
    @JsonValue
    String code();
}
