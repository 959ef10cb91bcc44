package apodex.server.database;

import apodex.server.CannotStart;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How the driver is told where the database is. */
final class DatabaseAddress {
    private static final String AS_WE_NEED_IT = "useServerPrepStmts=true&connectionTimeZone=UTC"
            + "&forceConnectionTimeZoneToSession=true&preserveInstants=true";
    /** A member that hangs is given up: others are there. */
    private static final String TIMES_OUT = "&connectTimeout=3000&socketTimeout=15000";
    /** Whoever goes on with another member of a cluster reads there what it wrote before. */
    private static final String READS_WHAT_WAS_WRITTEN = "&sessionVariables=wsrep_sync_wait=1";
    /** A member that has lost the others, or has not caught up, is passed over: of wsrep_local_state, 2 is a donor and 4 in step. */
    private static final String WITH_THE_OTHERS = "&galeraAllowedState=2,4";

    private static final Pattern MEMBERS = Pattern.compile("([^/,\\s]+(?:,[^/,\\s]+)*)/([\\w-]+)");

    private DatabaseAddress() {}

    static String local(int port) {
        return "jdbc:mariadb://127.0.0.1:" + port + "/apodex?" + AS_WE_NEED_IT;
    }

    /**
     * Of servers that somebody else runs. Of several, the first that answers is used by all nodes, so that they lose no races in the cluster.
     *
     * @param address {@code host:port,host:port/database}
     * @throws CannotStart when it is none
     */
    static String url(String address) {
        Matcher members = MEMBERS.matcher(address.strip());
        if (!members.matches()) {
            throw new CannotStart(
                    "APODEX_DB is “" + address + "”, and has to be like host:3306/database, or"
                            + " host:3306,host:3306,host:3306/database for a cluster.",
                    null);
        }
        boolean isCluster = members.group(1).contains(",");
        return "jdbc:mariadb:" + (isCluster ? "sequential:" : "") + "//" + members.group(1) + "/" + members.group(2)
                + "?" + AS_WE_NEED_IT + TIMES_OUT + (isCluster ? READS_WHAT_WAS_WRITTEN + WITH_THE_OTHERS : "");
    }
}
