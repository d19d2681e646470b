package org.zealousladder.server.platform.limits;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.util.concurrent.Semaphore;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;

/**
 * Whoever is refused before all was sent is heard out, since a browser reads no answer before that; but by a few threads at a time. The rest
 * are hung up on: the container itself would hear out everybody, and threads that wait for what nobody reads answer nobody else.
 */
final class HeardOut extends ValveBase {
    private static final int AT_ONCE = 32;

    private final Semaphore free = new Semaphore(AT_ONCE);

    HeardOut() {
        super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        getNext().invoke(request, response);
        if (request.isAsync() || request.isFinished()) {
            return;
        }
        boolean heard = false;
        if (response.getStatus() != HttpServletResponse.SC_REQUEST_TIMEOUT && free.tryAcquire()) {
            try {
                heard = hears(request.getStream());
            } finally {
                free.release();
            }
        }
        if (!heard) {
            hangUp(request, response);
        }
    }

    /** Whether it came to an end, at the pace that is asked of everybody. */
    private static boolean hears(InputStream rest) {
        long began = System.nanoTime();
        long read = 0;
        byte[] some = new byte[8192];
        try {
            for (int n = 0; n >= 0; n = rest.read(some)) {
                read += n;
                if (read > BodyFilter.FILE || BodyStream.tooSlow(System.nanoTime() - began, read)) {
                    return false;
                }
            }
            return true;
        } catch (IOException silent) {
            return false;
        }
    }

    /** The answer goes out; what is still on its way would otherwise be taken for the next request. */
    private static void hangUp(Request request, Response response) throws IOException {
        request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        if (!response.isCommitted()) {
            response.setHeader("Connection", "close");
        }
        response.finishResponse();
        request.getCoyoteRequest().action(ActionCode.CLOSE_NOW, null);
    }
}
