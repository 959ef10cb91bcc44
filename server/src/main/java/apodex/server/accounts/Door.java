package apodex.server.accounts;

import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.List;
import java.util.Locale;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Whether others can come in. At a desk, where only this machine reaches the server, nobody signs in; beyond, and wherever it is told a
 * name under which others know it, everybody does.
 */
@Component
public class Door {
    /** Whose everything is that is made at the desk; the first account takes this place. */
    public static final String HOUSE = "local";

    private final boolean open;
    private final String told;
    private final String name;
    private final int port;
    private final Environment environment;

    Door(
            @Value("${server.address}") String address,
            @Value("${server.port}") int port,
            @Value("${apodex.hosts}") List<String> hosts,
            @Value("${apodex.url}") String url,
            @Value("${apodex.accounts}") boolean accounts,
            Environment environment) {
        this.environment = environment;
        List<String> names = hosts.stream()
                .map(String::strip)
                .filter(name -> !name.isEmpty() && !isOfThisMachine(name))
                .toList();
        open = accounts || !isOfThisMachine(address) || !names.isEmpty() || !url.isBlank();
        this.port = port;
        this.told = url.strip().replaceAll("/+$", "");
        this.name = names.isEmpty() ? address : names.get(0);
    }

    /** Whether people sign in. */
    public boolean isOpen() {
        return open;
    }

    /** Where the pages are, as people's browsers know it, without a slash at its end. */
    public String url() {
        return told.isEmpty()
                // the port it took, where any free one was asked for
                ? "http://" + name + ":" + environment.getProperty("local.server.port", Integer.class, port)
                : told;
    }

    /** Name of the host in {@link #url()}. */
    public String host() {
        return URI.create(url()).getHost().toLowerCase(Locale.ROOT);
    }

    private static boolean isOfThisMachine(String address) {
        try {
            return address.equals("localhost")
                    || address.matches("[0-9.]+|\\[?[0-9a-fA-F:]+]?")
                            && InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException e) {
            return false;
        }
    }
}
