package apodex.server.handoffs;

import apodex.demo.LowTideWaltz;
import apodex.server.nodes.ThisNode;
import apodex.server.sessions.DemoSong;
import apodex.server.sessions.Sessions;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Plans the demo song for a mixer, once, after it was put on the shelf. */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
@ConditionalOnProperty(name = "apodex.demo", havingValue = "true")
class DemoHandoff implements ApplicationRunner {
    private final Handoffs handoffs;
    private final Sessions sessions;
    private final ThisNode node;

    DemoHandoff(Handoffs handoffs, Sessions sessions, ThisNode node) {
        this.node = node;
        this.handoffs = handoffs;
        this.sessions = sessions;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        // told to one node alone: two that begin together would each plan it
        if (node.serves() && handoffs.ofSession(DemoSong.ID).isEmpty()) {
            handoffs.create(
                    DemoSong.ID, LowTideWaltz.handoff(sessions.get(DemoSong.ID).session()));
        }
    }
}
