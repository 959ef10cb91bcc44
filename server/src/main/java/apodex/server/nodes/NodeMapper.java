package apodex.server.nodes;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Who is there, by the database's own clock. */
@Mapper
interface NodeMapper {
    @Insert("INSERT INTO node (id, role, storage) VALUES (#{id}, #{role}, #{storage})"
            + " ON DUPLICATE KEY UPDATE seen_at = CURRENT_TIMESTAMP(3)")
    void seen(String id, String role, String storage);

    @Delete("DELETE FROM node WHERE id = #{id}")
    void leave(String id);

    @Delete("DELETE FROM node WHERE seen_at < CURRENT_TIMESTAMP(3) - INTERVAL 1 HOUR")
    void forgetOld();

    /** Where others that were seen within the last seconds have their storage. */
    @Select("SELECT DISTINCT storage FROM node WHERE id <> #{id}"
            + " AND seen_at > CURRENT_TIMESTAMP(3) - INTERVAL 15 SECOND")
    List<String> storagesOfOthers(String id);

    /** How many nodes that print there are. */
    @Select("SELECT COUNT(*) FROM node WHERE role <> 'web' AND seen_at > CURRENT_TIMESTAMP(3) - INTERVAL 15 SECOND")
    int printing();
}
