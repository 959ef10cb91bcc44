package apodex.check;

import apodex.session.EditRefused;
import apodex.session.Routing;
import java.util.List;
import java.util.function.Consumer;

/** A sound that comes back to where it came from. Edits refuse it; a session from elsewhere can still hold one. */
final class RoutingLoop extends Check {
    RoutingLoop() {
        super("routingLoop");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        try {
            Routing.refuseLoops(at.session());
        } catch (EditRefused loop) {
            List<String> rows = at.session().rows().stream()
                    .filter(row -> loop.getMessage().contains("“" + row.name() + "”"))
                    .map(row -> row.id())
                    .toList();
            found.accept(Finding.of(
                            this,
                            Severity.STOPS,
                            "A loop",
                            loop.getMessage().replace("That would be a loop", "A sound goes round in a loop")
                                    + " Nothing can be printed until one of these ways is taken out.",
                            rows)
                    .showing(Evidence.route(rows)));
        }
    }
}
