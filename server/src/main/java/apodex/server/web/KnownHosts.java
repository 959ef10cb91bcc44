package apodex.server.web;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Names under which this server answers: this machine's, and those it was told. A page of somebody else can make its own name lead to this
 * machine and would then pass for ours; an address in numbers cannot be made to lead elsewhere, so every one of those is good.
 */
@Component
class KnownHosts {
    private static final String IN_NUMBERS = "\\d{1,3}(\\.\\d{1,3}){3}|\\[[0-9a-f:.]+]";

    private final Set<String> names = new HashSet<>(Set.of("localhost"));

    /** @param addresses that the pages and receivers' links begin with; empty for none */
    KnownHosts(
            @Value("${apodex.hosts}") List<String> more,
            @Value("${apodex.url},${apodex.public-url}") List<String> addresses) {
        addresses.stream()
                .map(String::strip)
                .filter(address -> !address.isEmpty())
                .map(address -> URI.create(address).getHost())
                .filter(Objects::nonNull)
                .map(host -> host.toLowerCase(Locale.ROOT))
                .forEach(names::add);
        more.stream()
                .map(name -> name.strip().toLowerCase(Locale.ROOT))
                .filter(name -> !name.isEmpty())
                .forEach(names::add);
    }

    /** @param authority name or address, and a port where there is one, as in a {@code Host} header */
    boolean know(String authority) {
        String host = host(authority);
        return host != null && (names.contains(host) || host.matches(IN_NUMBERS));
    }

    private static String host(String authority) {
        try {
            String host = new URI("http://" + authority).getHost();
            return host == null ? null : host.toLowerCase(Locale.ROOT);
        } catch (URISyntaxException e) {
            return null;
        }
    }
}
