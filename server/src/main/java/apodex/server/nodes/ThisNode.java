package apodex.server.nodes;

import apodex.server.CannotStart;
import java.util.Arrays;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** This process. */
@Component
public class ThisNode {
    private final String id;
    private final Role role;
    private final AtomicInteger runs = new AtomicInteger();

    ThisNode(@Value("${apodex.node}") String id, @Value("${apodex.role}") String role) {
        this.id = id;
        this.role = called(role)
                .orElseThrow(
                        () -> new CannotStart("APODEX_ROLE is “" + role + "”, and has to be all, web or print.", null));
    }

    private static Optional<Role> called(String word) {
        return Arrays.stream(Role.values())
                .filter(role -> role.word().equals(word))
                .findFirst();
    }

    public String id() {
        return id;
    }

    public Role role() {
        return role;
    }

    /** Whether runs are carried out here. */
    public boolean prints() {
        return role.prints();
    }

    /** Whether people are served here. */
    public boolean serves() {
        return role.serves();
    }

    /** A run has the machine to itself from now on. */
    public void runBegins() {
        runs.incrementAndGet();
    }

    public void runEnds() {
        runs.decrementAndGet();
    }

    /** Whether a run is carried out here now: what can wait does. */
    public boolean isPrinting() {
        return runs.get() > 0;
    }
}
