package apodex.session;

import java.util.List;

/** Gives all markers at once. */
public record SetMarkers(List<Marker> markers) implements SessionEdit {
    @Override
    public Session change(Session session) {
        List<Marker> checked = (markers == null ? List.<Marker>of() : markers)
                .stream()
                        .map(marker -> new Marker(marker.frame(), NameRule.check("markers", marker.name())))
                        .toList();
        return session.withMarkers(checked);
    }

    @Override
    public String describe(Session before) {
        return "Change markers";
    }
}
