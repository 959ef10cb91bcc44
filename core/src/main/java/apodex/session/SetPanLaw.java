package apodex.session;

/** Says how loud the centre is. */
public record SetPanLaw(PanLaw panLaw) implements SessionEdit {
    @Override
    public Session change(Session session) {
        if (panLaw == null) {
            throw new EditRefused("panLaw", "The pan law is 0, -3, -4.5 or -6 dB.");
        }
        return session.withPanLaw(panLaw);
    }

    /** No rule is about it. */
    @Override
    public Session applyTo(Session session) {
        return change(session);
    }

    @Override
    public String describe(Session before) {
        return "Change the pan law";
    }
}
