package apodex.server.nodes;

import apodex.server.CannotStart;
import apodex.server.storage.Storage;
import jakarta.annotation.PreDestroy;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Says in the database that this process is there, and does not let two work on one database that do not see the same files. */
@Component
public class Nodes {
    private static final Logger LOG = LoggerFactory.getLogger(Nodes.class);

    private final NodeMapper mapper;
    private final ThisNode node;
    private final String storage;

    /** @param database that others can reach; empty for our own, which comes with its folder */
    Nodes(NodeMapper mapper, ThisNode node, Storage storage, @Value("${apodex.db.address}") String database) {
        this.mapper = mapper;
        this.node = node;
        this.storage = storage.isShared() ? storage.address() : "folder " + storage.address();
        if (!storage.isShared() && node.role() != Role.ALL) {
            throw new CannotStart(
                    "APODEX_ROLE is “" + node.role().word() + "”, which takes a storage that all nodes reach: set"
                            + " APODEX_STORAGE to s3://bucket/prefix.",
                    null);
        }
        for (String other : mapper.storagesOfOthers(node.id())) {
            if (!database.isBlank() && !other.equals(this.storage)) {
                throw new CannotStart(
                        "Another Apodex works on this database with its files in " + other + ", and this one would have"
                                + " them in " + this.storage
                                + ". Give both the same APODEX_STORAGE, or databases of their own.",
                        null);
            }
        }
        mapper.forgetOld();
        tell();
    }

    @Scheduled(fixedDelay = 5, timeUnit = TimeUnit.SECONDS)
    void tell() {
        try {
            mapper.seen(node.id(), node.role().word(), storage);
        } catch (DataAccessException e) {
            LOG.debug("It could not be told that this node is there.", e);
        }
    }

    /** How many nodes that print there are, this one included if it is one. */
    public int printing() {
        return mapper.printing();
    }

    @PreDestroy
    void leave() {
        try {
            mapper.leave(node.id());
        } catch (DataAccessException e) {
            LOG.debug("It could not be told that this node has gone.", e);
        }
    }
}
