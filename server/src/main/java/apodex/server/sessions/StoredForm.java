package apodex.server.sessions;

import apodex.server.CannotStart;
import org.springframework.beans.factory.InitializingBean;
import org.springframework.stereotype.Component;

/**
 * The form that sessions are kept in. Older ones are rewritten by migrations when a newer Apodex starts; an older Apodex does not start on
 * what a newer one wrote, since it would lose what it does not know.
 */
@Component
class StoredForm implements InitializingBean {
    /** The form that is written. Raised with a migration that rewrites what is there. */
    static final int NOW = 2;

    private final SessionMapper mapper;

    StoredForm(SessionMapper mapper) {
        this.mapper = mapper;
    }

    @Override
    public void afterPropertiesSet() {
        int newest = mapper.newestForm();
        if (newest > NOW) {
            throw new CannotStart(
                    "The sessions in this data folder were written by a newer Apodex (form " + newest
                            + "; this one reads up to " + NOW
                            + "). Start that one, or bring a backup of before into another folder.",
                    null);
        }
    }
}
