package apodex.server.accounts;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface AccountMapper {
    /** @param phrase hash of the pass phrase; null until one was set */
    record Account(String ownerId, String name, @Nullable String phrase) {}

    @Select("SELECT owner_id, name, phrase FROM account WHERE name = #{name}")
    @Nullable
    Account named(String name);

    @Select("SELECT owner_id, name, phrase FROM account ORDER BY created_at, name")
    List<Account> all();

    @Select("SELECT COUNT(*) FROM account")
    int count();

    /** Lets nobody else add the first account before the transaction ends. */
    @Select("SELECT id FROM owner WHERE id = #{house} FOR UPDATE")
    String lockHouse(String house);

    @Insert("INSERT INTO owner (id, name) VALUES (#{id}, #{name})")
    void insertOwner(String id, String name);

    @Update("UPDATE owner SET name = #{name} WHERE id = #{id}")
    void nameOwner(String id, String name);

    @Insert("INSERT INTO account (owner_id, name) VALUES (#{ownerId}, #{name})")
    void insert(String ownerId, String name);

    /** Only this link is good from now on, and no pass phrase until it was used. */
    @Update(
            """
            UPDATE account SET welcome = #{token}, welcome_ends = #{ends}, phrase = NULL WHERE name = #{name}""")
    int invite(String name, String token, Instant ends);

    @Select("SELECT owner_id, name, phrase FROM account WHERE welcome = #{token} AND welcome_ends > #{now}")
    @Nullable
    Account invited(String token, Instant now);

    /** 0 when somebody else used the link first. */
    @Update(
            """
            UPDATE account SET phrase = #{phrase}, welcome = NULL, welcome_ends = NULL
            WHERE welcome = #{token} AND welcome_ends > #{now}""")
    int settle(String token, String phrase, Instant now);

    @Update("UPDATE account SET phrase = #{phrase} WHERE owner_id = #{ownerId}")
    void setPhrase(String ownerId, String phrase);

    @Delete("DELETE FROM account WHERE name = #{name}")
    int delete(String name);

    @Delete(
            """
            DELETE c FROM user_credentials c JOIN user_entities e ON e.id = c.user_entity_user_id WHERE e.name = #{name}""")
    void removePasskeys(String name);

    @Delete("DELETE FROM user_entities WHERE name = #{name}")
    void removePasskeyOwner(String name);

    @Delete("DELETE FROM member WHERE owner_id = #{ownerId}")
    void leaveAll(String ownerId);

    @Update("UPDATE owner SET house = #{house} WHERE id = #{ownerId}")
    void setHouse(String ownerId, String house);

    @Update("UPDATE owner SET quota = #{quota} WHERE id = #{ownerId}")
    void setQuota(String ownerId, @Nullable Long quota);

    @Select("SELECT mail FROM owner WHERE id = #{ownerId}")
    String mail(String ownerId);

    @Update("UPDATE owner SET mail = #{mail} WHERE id = #{ownerId}")
    void setMail(String ownerId, String mail);
}
