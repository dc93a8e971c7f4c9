<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/**
 * Rows belong to rows: foreign keys, and every table as the entities describe it. Nothing else was ever deleted that
 * others point to, so a database whose rows point nowhere was changed by other hands, and the statement says where.
 */
final class Version20261130000001 extends RepeatableMigration
{
    public function up(Schema $schema): void
    {
        // Letters are numbered in the order in which they came.
        $this->addSql('ALTER TABLE letter ADD number BIGINT NOT NULL DEFAULT 0');
        $this->addSql(
            'UPDATE letter
             JOIN (SELECT id, ROW_NUMBER() OVER (ORDER BY arrived_at, id) AS number FROM letter) came USING (id)
             SET letter.number = came.number',
        );
        $this->addSql(
            'ALTER TABLE letter
                MODIFY number BIGINT AUTO_INCREMENT NOT NULL,
                MODIFY arrived_at DATETIME NOT NULL,
                DROP PRIMARY KEY,
                ADD PRIMARY KEY (number),
                ADD UNIQUE INDEX once (id),
                DROP INDEX address,
                ADD INDEX address (address, number)',
        );
        // Rights of nobody, and lines about people who never had anything in the site: they have an empty enrollment now.
        $this->addSql('DELETE FROM division_administrator WHERE person_id NOT IN (SELECT id FROM person)');
        $this->addSql(
            "INSERT INTO enrollment (site_id, person_id, version, terms)
             SELECT DISTINCT l.site_id, l.person_id, 1, ''
             FROM change_line l
             LEFT JOIN enrollment e ON e.site_id = l.site_id AND e.person_id = l.person_id
             WHERE e.site_id IS NULL",
        );
        $this->addSql(
            'ALTER TABLE idempotency
                MODIFY `etag` VARCHAR(32) CHARACTER SET ascii DEFAULT NULL COLLATE ascii_bin',
        );
        $this->addSql(
            'ALTER TABLE platform_counter
                MODIFY `id` SMALLINT NOT NULL',
        );
        $this->addSql(
            'ALTER TABLE security_chain
                MODIFY `id` SMALLINT NOT NULL',
        );
        $this->addSql(
            'ALTER TABLE security_entry
                MODIFY `place` CHAR(64) CHARACTER SET ascii NOT NULL COLLATE ascii_bin,
                MODIFY `hash` CHAR(64) CHARACTER SET ascii NOT NULL COLLATE ascii_bin',
        );
        $this->addSql(
            'ALTER TABLE site
                ADD INDEX IDX_694309E4E2C35FC (term_id),
                ADD CONSTRAINT FK_694309E441859289 FOREIGN KEY (division_id) REFERENCES division (id),
                ADD CONSTRAINT FK_694309E4E2C35FC FOREIGN KEY (term_id) REFERENCES term (id)',
        );
        $this->addSql(
            'ALTER TABLE division_administrator
                ADD INDEX IDX_9E19A24341859289 (division_id),
                ADD CONSTRAINT FK_9E19A243217BBB47 FOREIGN KEY (person_id) REFERENCES person (id),
                ADD CONSTRAINT FK_9E19A24341859289 FOREIGN KEY (division_id) REFERENCES division (id)',
        );
        $this->addSql(
            'ALTER TABLE label
                ADD INDEX IDX_EA750E8CD1D5128 (made_by),
                ADD CONSTRAINT FK_EA750E8CD1D5128 FOREIGN KEY (made_by) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE person
                ADD INDEX IDX_34DCD17641859289 (division_id),
                ADD CONSTRAINT FK_34DCD17641859289 FOREIGN KEY (division_id) REFERENCES division (id),
                ADD CONSTRAINT FK_34DCD1767C0A2507 FOREIGN KEY (gone_into) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE person_label
                ADD CONSTRAINT FK_A2914F2C217BBB47 FOREIGN KEY (person_id) REFERENCES person (id),
                ADD CONSTRAINT FK_A2914F2C33B92F39 FOREIGN KEY (label_id) REFERENCES label (id)',
        );
        $this->addSql(
            'ALTER TABLE person_note
                ADD INDEX IDX_455B7E3FCD1D5128 (made_by),
                ADD CONSTRAINT FK_455B7E3F217BBB47 FOREIGN KEY (person_id) REFERENCES person (id),
                ADD CONSTRAINT FK_455B7E3FCD1D5128 FOREIGN KEY (made_by) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE person_term
                MODIFY `names` VARCHAR(250) CHARACTER SET ascii NOT NULL COLLATE ascii_bin',
        );
        $this->addSql(
            'ALTER TABLE rule_book
                ADD INDEX IDX_9821FC46CD1D5128 (made_by),
                ADD CONSTRAINT FK_9821FC46CD1D5128 FOREIGN KEY (made_by) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE history_entry
                ADD CONSTRAINT FK_72999517217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE door
                ADD INDEX IDX_8AE5542DCD1D5128 (made_by),
                ADD CONSTRAINT FK_8AE5542DF6BD1646 FOREIGN KEY (site_id) REFERENCES site (id),
                ADD CONSTRAINT FK_8AE5542DCD1D5128 FOREIGN KEY (made_by) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE enrollment
                ADD CONSTRAINT FK_DBDCD7E1F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id),
                ADD CONSTRAINT FK_DBDCD7E1217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE enrollment_segment
                MODIFY `role` VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE ascii_bin,
                MODIFY `roles` VARCHAR(330) CHARACTER SET ascii NOT NULL COLLATE ascii_bin,
                ADD CONSTRAINT FK_D60E9E30F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id),
                ADD CONSTRAINT FK_D60E9E30217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE access_grant
                ADD INDEX IDX_20901A1FD823E37A (section_id),
                ADD CONSTRAINT FK_20901A1FF6BD1646217BBB47 
                    FOREIGN KEY (site_id, person_id) REFERENCES enrollment (site_id, person_id),
                ADD CONSTRAINT FK_20901A1F58639EAE FOREIGN KEY (door_id) REFERENCES door (id),
                ADD CONSTRAINT FK_20901A1FD823E37A FOREIGN KEY (section_id) REFERENCES section (id)',
        );
        $this->addSql(
            'ALTER TABLE enrollment_override
                ADD INDEX IDX_99CC2CF55C0C89F3 (grant_id),
                ADD CONSTRAINT FK_99CC2CF5F6BD1646217BBB47 
                    FOREIGN KEY (site_id, person_id) REFERENCES enrollment (site_id, person_id),
                ADD CONSTRAINT FK_99CC2CF55C0C89F3 FOREIGN KEY (grant_id) REFERENCES access_grant (id)',
        );
        $this->addSql(
            'ALTER TABLE saved_view
                ADD INDEX IDX_F0C2599BF6BD1646 (site_id),
                ADD CONSTRAINT FK_F0C2599B217BBB47 FOREIGN KEY (person_id) REFERENCES person (id),
                ADD CONSTRAINT FK_F0C2599BF6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)',
        );
        $this->addSql(
            'ALTER TABLE section
                ADD CONSTRAINT FK_2D737AEFF6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)',
        );
        $this->addSql(
            'ALTER TABLE site_count
                ADD CONSTRAINT FK_41839467F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)',
        );
        $this->addSql(
            'ALTER TABLE message
                MODIFY due_at DATETIME DEFAULT NULL,
                ADD CONSTRAINT FK_B6BD307F217BBB47 FOREIGN KEY (person_id) REFERENCES person (id),
                ADD CONSTRAINT FK_B6BD307FF6BD1646 FOREIGN KEY (site_id) REFERENCES site (id)',
        );
        $this->addSql(
            'ALTER TABLE message_template
                ADD INDEX IDX_9E46DB9210BC6D9F (changed_by),
                ADD CONSTRAINT FK_9E46DB9210BC6D9F FOREIGN KEY (changed_by) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE notice
                ADD INDEX IDX_480D45C2AAE72004 (by_id),
                ADD CONSTRAINT FK_480D45C2217BBB47 FOREIGN KEY (person_id) REFERENCES person (id),
                ADD CONSTRAINT FK_480D45C2AAE72004 FOREIGN KEY (by_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE settled_line
                ADD INDEX IDX_DCD3B020217BBB47 (person_id),
                ADD INDEX IDX_DCD3B020CD1D5128 (made_by),
                ADD CONSTRAINT FK_DCD3B020F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id),
                ADD CONSTRAINT FK_DCD3B020217BBB47 FOREIGN KEY (person_id) REFERENCES person (id),
                ADD CONSTRAINT FK_DCD3B020CD1D5128 FOREIGN KEY (made_by) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE change_line
                ADD INDEX IDX_B2C3FD4DEA66A7D0 (undoes),
                ADD CONSTRAINT FK_B2C3FD4DCDA9B422 FOREIGN KEY (change_list_id) REFERENCES change_list (id),
                ADD CONSTRAINT FK_B2C3FD4DF6BD1646217BBB47 
                    FOREIGN KEY (site_id, person_id) REFERENCES enrollment (site_id, person_id),
                ADD CONSTRAINT FK_B2C3FD4DEA66A7D0 FOREIGN KEY (undoes) REFERENCES change_line (id)',
        );
        $this->addSql(
            'ALTER TABLE change_list
                ADD CONSTRAINT FK_271FB1A3F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id),
                ADD CONSTRAINT FK_271FB1A3CD1D5128 FOREIGN KEY (made_by) REFERENCES person (id),
                ADD CONSTRAINT FK_271FB1A3EA66A7D0 FOREIGN KEY (undoes) REFERENCES change_list (id)',
        );
        $this->addSql(
            'ALTER TABLE change_request
                ADD CONSTRAINT FK_CB902D36CDA9B422 FOREIGN KEY (change_list_id) REFERENCES change_list (id)',
        );
        $this->addSql(
            'ALTER TABLE account
                ADD CONSTRAINT FK_7D3656A4217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE account_row
                ADD CONSTRAINT FK_C4CBAF85CDA9B422 FOREIGN KEY (change_list_id) REFERENCES change_list (id),
                ADD CONSTRAINT FK_C4CBAF85217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE first_password
                ADD INDEX IDX_81DA748E217BBB47 (person_id),
                ADD CONSTRAINT FK_81DA748E217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE told_apart
                ADD INDEX IDX_568E95E6998D9879 (other_id),
                ADD INDEX IDX_568E95E6CD1D5128 (made_by),
                ADD CONSTRAINT FK_568E95E6FB9ACE13 FOREIGN KEY (one_id) REFERENCES person (id),
                ADD CONSTRAINT FK_568E95E6998D9879 FOREIGN KEY (other_id) REFERENCES person (id),
                ADD CONSTRAINT FK_568E95E6CD1D5128 FOREIGN KEY (made_by) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE door_key
                ADD CONSTRAINT FK_D0722E4B58639EAE FOREIGN KEY (door_id) REFERENCES door (id)',
        );
        $this->addSql(
            'ALTER TABLE door_try
                ADD INDEX IDX_C28B4E9058639EAE (door_id),
                ADD INDEX IDX_C28B4E90217BBB47 (person_id),
                ADD CONSTRAINT FK_C28B4E90F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id),
                ADD CONSTRAINT FK_C28B4E9058639EAE FOREIGN KEY (door_id) REFERENCES door (id),
                ADD CONSTRAINT FK_C28B4E90217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE invitation
                ADD CONSTRAINT FK_F11D61A2F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id),
                ADD CONSTRAINT FK_F11D61A258639EAE FOREIGN KEY (door_id) REFERENCES door (id),
                ADD CONSTRAINT FK_F11D61A2217BBB47 FOREIGN KEY (person_id) REFERENCES person (id)',
        );
        $this->addSql(
            'ALTER TABLE invitation_link
                ADD CONSTRAINT FK_FBAD55A5A35D7AF0 FOREIGN KEY (invitation_id) REFERENCES invitation (id)',
        );
        $this->addSql(
            'ALTER TABLE quiet
                ADD INDEX IDX_5695B4A4217BBB47 (person_id),
                ADD INDEX IDX_5695B4A458639EAE (door_id),
                ADD CONSTRAINT FK_5695B4A4F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id),
                ADD CONSTRAINT FK_5695B4A4217BBB47 FOREIGN KEY (person_id) REFERENCES person (id),
                ADD CONSTRAINT FK_5695B4A458639EAE FOREIGN KEY (door_id) REFERENCES door (id)',
        );
        $this->addSql(
            'ALTER TABLE waiter
                ADD INDEX IDX_B0E035D0D823E37A (section_id),
                ADD CONSTRAINT FK_B0E035D0F6BD1646 FOREIGN KEY (site_id) REFERENCES site (id),
                ADD CONSTRAINT FK_B0E035D058639EAE FOREIGN KEY (door_id) REFERENCES door (id),
                ADD CONSTRAINT FK_B0E035D0217BBB47 FOREIGN KEY (person_id) REFERENCES person (id),
                ADD CONSTRAINT FK_B0E035D0D823E37A FOREIGN KEY (section_id) REFERENCES section (id)',
        );
    }
}
