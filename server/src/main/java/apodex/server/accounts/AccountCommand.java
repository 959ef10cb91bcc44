package apodex.server.accounts;

import apodex.server.CannotStart;
import apodex.server.web.Refused;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Mapper;
import org.mybatis.spring.annotation.MapperScan;
import org.mybatis.spring.boot.autoconfigure.MybatisAutoConfiguration;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.autoconfigure.flyway.FlywayAutoConfiguration;
import org.springframework.boot.autoconfigure.jdbc.DataSourceAutoConfiguration;
import org.springframework.boot.autoconfigure.jdbc.DataSourceTransactionManagerAutoConfiguration;
import org.springframework.boot.autoconfigure.jdbc.JdbcTemplateAutoConfiguration;
import org.springframework.boot.autoconfigure.transaction.TransactionAutoConfiguration;
import org.springframework.context.ApplicationContext;
import org.springframework.context.annotation.ComponentScan;
import org.springframework.context.annotation.Import;
import org.springframework.util.unit.DataSize;

/** {@code ./apodex account}: who may come in, told by whoever runs the machine. */
@Import({Door.class, Accounts.class, LoginSessions.class})
@ComponentScan("apodex.server.database")
@MapperScan(basePackageClasses = AccountMapper.class, annotationClass = Mapper.class)
@ImportAutoConfiguration({
    DataSourceAutoConfiguration.class,
    DataSourceTransactionManagerAutoConfiguration.class,
    TransactionAutoConfiguration.class,
    JdbcTemplateAutoConfiguration.class,
    FlywayAutoConfiguration.class,
    MybatisAutoConfiguration.class
})
public final class AccountCommand {
    private static final String USAGE =
            """
            Usage: ./apodex account list
                   ./apodex account add NAME     prints a link by which NAME sets the pass phrase, once, within three days
                   ./apodex account link NAME    the same for somebody who lost it; the old one and all passkeys are over
                   ./apodex account quota NAME SIZE  what NAME's sessions may take, such as 50GB; 0: no bound; usual: as the house has it
                   ./apodex account house NAME HOUSE whom NAME shares a part of the printing with, in one word; none: nobody in particular
                   ./apodex account remove NAME  what NAME owns stays, and can be seen at the desk""";

    /**
     * Does it.
     *
     * @return what to say
     * @throws CannotStart with a sentence where it cannot be done
     */
    public static String run(ApplicationContext context, List<String> words) {
        Accounts accounts = context.getBean(Accounts.class);
        String name = words.size() < 2 ? "" : String.join(" ", words.subList(1, words.size()));
        try {
            return switch (words.isEmpty() ? "" : words.get(0)) {
                case "list" -> listed(accounts);
                case "add" -> link(context, accounts.add(name), name);
                case "link" -> link(context, accounts.welcome(name), name);
                case "quota" -> quota(accounts, words);
                case "house" -> house(accounts, words);
                case "remove" -> {
                    accounts.remove(name);
                    yield "“" + name + "” signs in no more.";
                }
                default -> throw new CannotStart(USAGE, null);
            };
        } catch (Refused refused) {
            throw new CannotStart(refused.getMessage(), refused);
        }
    }

    /** The last word is the house; a name may have several. */
    private static String house(Accounts accounts, List<String> words) {
        if (words.size() < 3) {
            throw new CannotStart(USAGE, null);
        }
        String name = String.join(" ", words.subList(1, words.size() - 1));
        String house = words.get(words.size() - 1);
        accounts.setHouse(name, house.equals("none") ? "" : house);
        return "“" + name + "” is of "
                + (house.equals("none") ? "no house in particular." : "the house " + house + ".");
    }

    /** The last word is the size; a name may have several. */
    private static String quota(Accounts accounts, List<String> words) {
        if (words.size() < 3) {
            throw new CannotStart(USAGE, null);
        }
        String name = String.join(" ", words.subList(1, words.size() - 1));
        String size = words.get(words.size() - 1);
        try {
            accounts.setQuota(
                    name, size.equals("usual") ? null : DataSize.parse(size).toBytes());
        } catch (IllegalArgumentException e) {
            throw new CannotStart("“" + size + "” is no size. Say it as 50GB, 500MB, 0 for no bound, or usual.", e);
        }
        return "“" + name + "” may take " + size + ".";
    }

    private static String listed(Accounts accounts) {
        return accounts.count() == 0
                ? "There is no account yet. The first one owns what is there already: ./apodex account add NAME"
                : accounts.all().stream()
                        .map(Accounts.Person::name)
                        .collect(Collectors.joining(System.lineSeparator()));
    }

    private static String link(ApplicationContext context, String token, String name) {
        return name + " sets a pass phrase here, once, within three days:" + System.lineSeparator()
                + context.getBean(Door.class).url() + "/#/welcome/" + token;
    }
}
