package org.zealousladder.server.platform.limits;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.channels.SocketChannel;
import java.util.function.Predicate;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.tomcat.util.net.NioEndpoint;

/** HTTP as Tomcat speaks it, with so many connections from one address and no more: who opens them by the thousand leaves room for the others. */
public class FewFromEach extends Http11NioProtocol {
    /** A school behind one address has fifty people with six connections each, and room to grow. */
    static final int MOST = 500;

    public FewFromEach() {
        super(new Endpoint());
    }

    /** @param unlimited whose connections are many people's, such as a web server in front */
    void unlimited(Predicate<String> unlimited) {
        ((Endpoint) getEndpoint()).unlimited = unlimited;
    }

    private static final class Endpoint extends NioEndpoint {
        private volatile Predicate<String> unlimited = address -> false;

        @Override
        protected boolean setSocketOptions(SocketChannel socket) {
            try {
                if (socket.getRemoteAddress() instanceof InetSocketAddress from && tooMany(from.getAddress())) {
                    // Closed here: the endpoint closes only what it has taken on.
                    destroySocket(socket);
                    return false;
                }
            } catch (IOException e) {
                destroySocket(socket);
                return false;
            }
            return super.setSocketOptions(socket);
        }

        private boolean tooMany(InetAddress from) {
            String address = from.getHostAddress();
            // Up to so many in all, nobody has more.
            return getConnectionCount() > MOST && !unlimited.test(address)
                    && getConnections().stream().filter(c -> address.equals(c.getRemoteAddr())).count() >= MOST;
        }
    }
}
