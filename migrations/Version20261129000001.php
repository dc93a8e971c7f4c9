<?php

declare(strict_types=1);

namespace MintDoor\Migrations;

use Doctrine\DBAL\Schema\Schema;
use MintDoor\Shared\RepeatableMigration;

/**
 * What is stored takes the words that stand on the screen and in the code: grants, overrides, blocked and removed,
 * externals, previews. Entries of before are read with the new words, too. What is sealed in the security log stays as
 * it was written.
 */
final class Version20261129000001 extends RepeatableMigration
{
    /** Codes, as they stand in columns and, between quotes, in JSON. */
    private const CODES = [
        'take-out' => 'remove',
        'taken-out' => 'removed',
        'keep-out' => 'block',
        'kept-out' => 'blocked',
        'not-kept-out' => 'not-blocked',
        'keeps-out' => 'blocks',
        'lift-keep-out' => 'unblock',
        'lift-role' => 'clear-role',
        'lift-dates' => 'clear-dates',
        'look-in' => 'preview',
        'outsider' => 'external',
        'desk' => 'staff',
        'see-logbook' => 'see-history',
        'give-pass' => 'give-grant',
        'put-mark' => 'put-override',
        'end-mark' => 'end-override',
        'twice-on-sheet' => 'twice-on-list',
    ];

    /** Members of stored JSON whose value is such a code; others may hold what somebody typed, or the code of a role. */
    private const MEMBERS = ['state', 'kind', 'verb', 'change'];

    /** Those of reasons, under `code`, which is also what sites and roles have. */
    private const REASONS = ['taken-out', 'kept-out', 'not-kept-out', 'keeps-out', 'lift-keep-out', 'twice-on-sheet'];

    /** Columns that hold a code, by table. */
    private const COLUMNS = [
        'door' => ['kind'],
        'person' => ['kind'],
        'enrollment_segment' => ['state'],
        'enrollment_override' => ['kind'],
        'change_line' => ['verb'],
        'history_entry' => ['code'],
        'message' => ['kind'],
        'message_template' => ['kind'],
        'notice' => ['code'],
    ];

    /** Columns that hold JSON or a query, by table. */
    private const TEXTS = [
        'change_line' => ['state_before', 'state_after', 'notes', 'effects'],
        'change_request' => ['request', 'reasons'],
        'change_list' => ['work', 'removing', 'undo_data'],
        'history_entry' => ['data'],
        'notice' => ['data'],
        'account_row' => ['row', 'reasons'],
        'rule_book' => ['settings'],
        'door' => ['terms'],
    ];

    public function up(Schema $schema): void
    {
        $this->addSql('RENAME TABLE pass TO access_grant');
        $this->addSql('RENAME TABLE mark TO enrollment_override');
        $this->addSql('RENAME TABLE change_sheet TO change_list');
        $this->addSql('RENAME TABLE sheet_line TO change_line');
        $this->addSql('RENAME TABLE sheet_wish TO change_request');
        $this->addSql('RENAME TABLE log_entry TO history_entry');
        $this->addSql('ALTER TABLE enrollment_override RENAME COLUMN pass_id TO grant_id');
        $this->addSql('ALTER TABLE change_request RENAME COLUMN wish TO request');
        foreach (['account_row', 'change_line', 'change_request', 'message'] as $table) {
            $this->addSql("ALTER TABLE $table RENAME COLUMN sheet_id TO change_list_id");
        }
        $this->addSql('ALTER TABLE message RENAME INDEX sheet TO change_list');
        $this->addSql(
            "UPDATE message_template
             SET subject = REPLACE(subject, '{house}', '{platform}'), body = REPLACE(body, '{house}', '{platform}')",
        );
        $this->addSql(
            'ALTER TABLE access_grant
                RENAME INDEX IDX_CE70D424F6BD1646217BBB47 TO IDX_20901A1FF6BD1646217BBB47,
                RENAME INDEX UNIQ_CE70D42458639EAE217BBB47530F2CAF TO UNIQ_20901A1F58639EAE217BBB47530F2CAF',
        );
        $this->addSql(
            'ALTER TABLE enrollment_override
                RENAME INDEX IDX_6674F271F6BD1646217BBB47 TO IDX_99CC2CF5F6BD1646217BBB47,
                RENAME INDEX IDX_6674F27156A273CC TO IDX_99CC2CF556A273CC',
        );
        $this->addSql(
            'ALTER TABLE change_list RENAME INDEX IDX_DBEC2CAFF6BD164698817E56 TO IDX_271FB1A3F6BD164698817E56',
        );
        $this->addSql(
            'ALTER TABLE change_line
                RENAME INDEX IDX_826AC4EBF6BD1646217BBB47 TO IDX_B2C3FD4DF6BD1646217BBB47,
                RENAME INDEX UNIQ_826AC4EB8B1206A5462CE4F5 TO UNIQ_B2C3FD4DCDA9B422462CE4F5',
        );
        $this->addSql(
            'ALTER TABLE history_entry
                RENAME INDEX IDX_B5F762D4D7B7542 TO IDX_729995174D7B7542,
                RENAME INDEX UNIQ_B5F762DF6BD16465286D72B TO UNIQ_72999517F6BD16465286D72B',
        );
        $this->addSql("UPDATE change_list SET kind = 'single' WHERE kind = 'desk'");
        $this->addSql("ALTER TABLE change_list ALTER COLUMN kind SET DEFAULT 'single'");
        foreach (self::COLUMNS as $table => $columns) {
            foreach ($columns as $column) {
                $this->code($table, $column);
            }
        }
        foreach (self::TEXTS as $table => $columns) {
            $this->texts($table, $columns);
        }
        // By place: the kind of an override is the second, that of a door the third.
        $this->patterns('change_line', 'effects', [
            '"passId":' => '"grantId":',
            '"pass":(\\\\[|null)' => '"grant":\\\\1',
            '"mark":(\\\\[|null)' => '"override":\\\\1',
            '("override":\\\\["[^"]*",)"kept-out"' => '\\\\1"blocked"',
            '("grant":\\\\["[^"]*","[^"]*",)"desk"' => '\\\\1"staff"',
            '("grant":\\\\["[^"]*","[^"]*",)"look-in"' => '\\\\1"preview"',
        ]);
        $this->patterns('rule_book', 'settings', [
            '"sheet":([0-9])' => '"changeList":\\\\1',
            '("(?:for|suggestFor|kinds)":\\\\[[^]]*)"outsider"' => '\\\\1"external"',
            '("permissions":\\\\[[^]]*)"see-logbook"' => '\\\\1"see-history"',
        ]);
        $this->patterns('history_entry', 'data', ['"sheet":"([0-9a-f-]{36})"' => '"changeList":"\\\\1"']);
        $this->addSql(
            "UPDATE saved_view
             SET view = REPLACE(REPLACE(REPLACE(REPLACE(view, '=kept-out', '=blocked'), '=taken-out', '=removed'),
                '=look-in', '=preview'), '=desk', '=staff')",
        );
    }

    private function code(string $table, string $column): void
    {
        $cases = $known = '';
        foreach (self::CODES as $old => $new) {
            $cases .= " WHEN '$old' THEN '$new'";
            $known .= ('' === $known ? '' : ', ')."'$old'";
        }
        $this->addSql("UPDATE $table SET `$column` = CASE `$column` $cases ELSE `$column` END WHERE `$column` IN ($known)");
    }

    /** @param list<string> $columns */
    private function texts(string $table, array $columns): void
    {
        $sets = [];
        foreach ($columns as $column) {
            $text = "`$column`";
            foreach (self::CODES as $old => $new) {
                foreach ([...self::MEMBERS, ...\in_array($old, self::REASONS, true) ? ['code'] : []] as $member) {
                    $text = "REPLACE($text, '\"$member\":\"$old\"', '\"$member\":\"$new\"')";
                }
            }
            $sets[] = "`$column` = $text";
        }
        $this->addSql("UPDATE $table SET ".implode(', ', $sets));
    }

    /** @param array<string, string> $patterns with what takes the place of each */
    private function patterns(string $table, string $column, array $patterns): void
    {
        $text = "`$column`";
        foreach ($patterns as $pattern => $new) {
            $text = "REGEXP_REPLACE($text, '$pattern', '$new')";
        }
        $this->addSql("UPDATE $table SET `$column` = $text");
    }
}
