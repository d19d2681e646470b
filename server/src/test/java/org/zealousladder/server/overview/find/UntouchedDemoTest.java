package org.zealousladder.server.overview.find;

import org.springframework.test.context.TestPropertySource;
import org.zealousladder.server.ServerTest;

/** On a database of its own, which no other test has changed: what is held against the whole of the demo. */
@TestPropertySource(properties = "ladder.test.records=untouched")
abstract class UntouchedDemoTest extends ServerTest {}
