package apodex.server.accounts;

import apodex.server.CannotStart;
import org.springframework.beans.factory.InitializingBean;
import org.springframework.stereotype.Component;

/** A server that others reach does not start before there is somebody who may come in. */
@Component
class AccountsNeeded implements InitializingBean {
    private final Door door;
    private final Accounts accounts;

    AccountsNeeded(Door door, Accounts accounts) {
        this.door = door;
        this.accounts = accounts;
    }

    @Override
    public void afterPropertiesSet() {
        if (door.isOpen() && accounts.count() == 0) {
            throw new CannotStart(
                    "Others can reach this address, and there is no account yet. Make the first with"
                            + " ./apodex account add NAME (it owns what is there already), then start again.",
                    null);
        }
    }
}
