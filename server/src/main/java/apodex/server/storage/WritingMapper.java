package apodex.server.storage;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** What is being put into the shared storage. All times are the database's own: the clocks of nodes need not agree. */
@Mapper
interface WritingMapper {
    String IN_A_MINUTE = "CURRENT_TIMESTAMP(3) + INTERVAL 60 SECOND";
    String IN_AN_HOUR = "CURRENT_TIMESTAMP(3) + INTERVAL 1 HOUR";

    @Insert("INSERT INTO writing (name, node, until) VALUES (#{name}, #{node}, " + IN_A_MINUTE
            + ") ON DUPLICATE KEY UPDATE node = #{node}")
    void begin(String name, String node);

    /** 0 when it was taken for given up. */
    @Update("UPDATE writing SET until = " + IN_A_MINUTE + " WHERE name = #{name} AND node = #{node} AND sweeps = 0")
    int renew(String name, String node);

    /** Something refers to it now; 0 when it was taken for given up before. */
    @Delete("DELETE FROM writing WHERE name = #{name} AND sweeps = 0")
    int settle(String name);

    /** Who abandons it removes it, and has a minute for that. */
    @Insert("INSERT INTO writing (name, node, until, sweeps) VALUES (#{name}, #{node}, " + IN_A_MINUTE + ", 1)"
            + " ON DUPLICATE KEY UPDATE sweeps = sweeps + 1")
    void abandon(String name, String node);

    /** Nobody goes on with it; nothing happens where something refers to it by now. */
    @Update("UPDATE writing SET until = CURRENT_TIMESTAMP(3) WHERE name = #{name}")
    void lapse(String name);

    @Delete("DELETE FROM writing WHERE name = #{name}")
    void forget(String name);

    @Select("SELECT name FROM writing WHERE until < CURRENT_TIMESTAMP(3) ORDER BY until LIMIT 100")
    List<String> givenUp();

    /** 0 when somebody else sweeps it, or its writer is awake. */
    @Update("UPDATE writing SET sweeps = sweeps + 1, until = " + IN_AN_HOUR
            + " WHERE name = #{name} AND until < CURRENT_TIMESTAMP(3)")
    int take(String name);

    /** It could not be removed: that time does not count, and the next is not only in an hour. */
    @Update("UPDATE writing SET until = " + IN_A_MINUTE + ", sweeps = GREATEST(sweeps - 1, 1) WHERE name = #{name}")
    void soon(String name);

    @Select("SELECT sweeps FROM writing WHERE name = #{name}")
    Integer sweeps(String name);

    /** Whether a run, a recording or an intake lies under this name. */
    @Select(
            """
            SELECT EXISTS (SELECT 1 FROM run WHERE stored_as = #{name})
                OR EXISTS (SELECT 1 FROM stored_recording r WHERE r.name = #{name})
                OR EXISTS (SELECT 1 FROM intake i WHERE CONCAT('intakes/', i.id) = #{name})
                OR EXISTS (SELECT 1 FROM run_share s WHERE s.name = #{name})
                OR EXISTS (SELECT 1 FROM arriving a WHERE CONCAT('arrivals/', a.id) = #{name})""")
    boolean isReferredTo(String name);
}
