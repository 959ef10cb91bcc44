package apodex.server.nodes;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import java.util.function.LongConsumer;

/** The line from one process to another, which can be cut. */
final class Line implements AutoCloseable {
    private final ServerSocket door = new ServerSocket(0, 200, InetAddress.getLoopbackAddress());
    private final int target;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private final AtomicLong brought = new AtomicLong();
    private volatile boolean isCut;

    Line(int target) throws IOException {
        this.target = target;
        daemon(this::accept);
    }

    int port() {
        return door.getLocalPort();
    }

    /** Bytes that came from the other end so far. */
    long brought() {
        return brought.get();
    }

    void cut() {
        isCut = true;
        open.forEach(Line::shut);
    }

    void mend() {
        isCut = false;
    }

    private void accept() {
        while (!door.isClosed()) {
            try {
                Socket near = door.accept();
                if (isCut) {
                    shut(near);
                } else {
                    daemon(() -> connect(near));
                }
            } catch (IOException | OutOfMemoryError e) { // closed, or no file or thread is left: the next may be served
                if (!door.isClosed()) {
                    System.err.println("A line did not take somebody on: " + e);
                    LockSupport.parkNanos(100_000_000);
                }
            }
        }
    }

    private void connect(Socket near) {
        Socket far = new Socket();
        open.add(near);
        open.add(far);
        try {
            far.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), target), 2000);
            daemon(() -> copy(near, far, bytes -> {}));
            copy(far, near, brought::addAndGet);
        } catch (IOException e) {
            shut(near);
        }
    }

    private void copy(Socket from, Socket to, LongConsumer passed) {
        byte[] some = new byte[8192];
        try (InputStream in = from.getInputStream();
                OutputStream out = to.getOutputStream()) {
            for (int read = in.read(some); read >= 0; read = in.read(some)) {
                out.write(some, 0, read);
                passed.accept(read);
            }
        } catch (IOException e) {
            // cut, or over
        } finally {
            shut(from);
            shut(to);
            open.remove(from);
            open.remove(to);
        }
    }

    private static void shut(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // it is
        }
    }

    private static void daemon(Runnable work) {
        Thread thread = new Thread(work, "line");
        thread.setDaemon(true);
        thread.start();
    }

    @Override
    public void close() throws IOException {
        door.close();
        cut();
    }
}
