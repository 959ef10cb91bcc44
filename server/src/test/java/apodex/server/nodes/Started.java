package apodex.server.nodes;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A program that was started, and can be ended in every way there is. */
public abstract class Started implements AutoCloseable {
    private static final int START_SECONDS = Integer.getInteger("apodex.start.seconds", 180);

    private static final Pattern COMPLAINT =
            Pattern.compile(" (WARN|ERROR) |^\\S*(Exception|Error)\\b|^Caused by|^\\s+at apodex");

    private final Path log;
    private Process process;

    Started(Path log) {
        this.log = log;
    }

    abstract List<String> command() throws IOException;

    /** Whether it does its work. */
    abstract boolean answers();

    void begin() throws IOException {
        process = new ProcessBuilder(command())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()))
                .start();
    }

    public void start() throws Exception {
        begin();
        awaitAnswer();
    }

    void awaitAnswer() throws Exception {
        await(this::answers, () -> "It does not answer. " + said());
    }

    private void await(BooleanSupplier is, java.util.function.Supplier<String> otherwise) throws Exception {
        for (long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(START_SECONDS); !is.getAsBoolean(); ) {
            if (!process.isAlive() || System.nanoTime() > end) {
                throw new AssertionError(otherwise.get());
            }
            Thread.sleep(100);
        }
    }

    String said() {
        try {
            String all = Files.readString(log, java.nio.charset.StandardCharsets.ISO_8859_1);
            return all.substring(Math.max(0, all.length() - 4000));
        } catch (IOException e) {
            return "It said nothing.";
        }
    }

    /** What it complained of, with where that came from. */
    String complained() {
        try (Stream<String> lines = Files.lines(log, java.nio.charset.StandardCharsets.ISO_8859_1)) {
            return lines.filter(line -> COMPLAINT.matcher(line).find()).collect(Collectors.joining("\n"));
        } catch (IOException e) {
            return "It said nothing.";
        }
    }

    /** What its threads are at, where it is something of ours. */
    String isAt() {
        try {
            Process asked = new ProcessBuilder("jstack", String.valueOf(process.pid())).start();
            try (InputStream in = asked.getInputStream()) {
                String all = new String(in.readAllBytes(), java.nio.charset.StandardCharsets.ISO_8859_1);
                return Stream.of(all.split("\n\n"))
                        .filter(thread -> thread.contains("at apodex"))
                        .collect(Collectors.joining("\n\n"));
            }
        } catch (IOException e) {
            return "It does not say what it is at.";
        }
    }

    boolean isAlive() {
        return process != null && process.isAlive();
    }

    /** As when the power goes. */
    public void kill() throws InterruptedException {
        signal("KILL");
        process.waitFor();
    }

    /** As when it is asked to go. */
    public void stop() throws InterruptedException {
        signal("TERM");
        process.waitFor();
    }

    /** As when the machine hangs. Returns when all of it does: a thread may finish first what it asked of the system. */
    void pause() throws InterruptedException {
        signal("STOP");
        while (isAlive() && !isAllStopped()) {
            Thread.sleep(1);
        }
    }

    private boolean isAllStopped() {
        try (Stream<Path> threads = Files.list(Path.of("/proc", String.valueOf(process.pid()), "task"))) {
            return threads.allMatch(thread -> "T".equals(state(thread)));
        } catch (IOException | UncheckedIOException gone) {
            return false;
        }
    }

    /** By proc(5): the first word behind the name, which stands in brackets. */
    private static String state(Path thread) {
        try {
            String stat = Files.readString(thread.resolve("stat"), java.nio.charset.StandardCharsets.ISO_8859_1);
            return stat.substring(stat.lastIndexOf(')') + 2).split(" ")[0];
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    void wake() throws InterruptedException {
        signal("CONT");
    }

    private void signal(String name) throws InterruptedException {
        try {
            new ProcessBuilder("kill", "-" + name, String.valueOf(process.pid()))
                    .start()
                    .waitFor();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        if (process != null) {
            process.destroyForcibly();
        }
    }

    static int freePort() throws IOException {
        try (ServerSocket any = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return any.getLocalPort();
        }
    }

    static void run(List<String> command) throws IOException, InterruptedException {
        Process once = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said;
        try (InputStream in = once.getInputStream()) {
            said = new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        }
        if (once.waitFor() != 0) {
            throw new IOException(command + ": " + said);
        }
    }
}
