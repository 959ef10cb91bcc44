package apodex.server.intakes;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface IntakeMapper {
    @Insert(
            """
            INSERT INTO intake (id, owner_id, revision, title, found, put_right)
            VALUES (#{intake.id}, #{ownerId}, #{intake.revision}, #{title}, #{intake.found}, #{intake.putRight})""")
    void insert(StoredIntake intake, String title, String ownerId);

    @Insert("INSERT IGNORE INTO intake_use (intake_id, sha256) VALUES (#{id}, #{sha256})")
    void insertUse(String id, String sha256);

    @Select("SELECT id, revision, found, put_right FROM intake WHERE id = #{id}")
    StoredIntake find(String id);

    /** 0 when somebody else was first. */
    @Update(
            """
            UPDATE intake SET put_right = #{intake.putRight}, revision = #{intake.revision}, title = #{title}
            WHERE id = #{intake.id} AND revision = #{expected}""")
    int update(StoredIntake intake, String title, int expected);

    /** Whoever deletes an intake makes the session of it, or gives it up: one of two at once. */
    @Delete("DELETE FROM intake WHERE id = #{id} AND revision = #{revision}")
    int delete(String id, int revision);

    @Delete("DELETE FROM intake_use WHERE intake_id = #{id}")
    void deleteUses(String id);

    /** An intake on the shelf. */
    record Waiting(String id, String title, Instant createdAt) {}

    /** @param person whose alone; null for everybody's */
    @Select(
            """
            SELECT id, title, created_at FROM intake WHERE #{person} IS NULL OR owner_id = #{person}
            ORDER BY created_at DESC, id""")
    List<Waiting> waiting(@Nullable String person);
}
