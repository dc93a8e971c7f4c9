<?php

declare(strict_types=1);

namespace MintDoor\People;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Time\Time;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Instant;

/** Writes people with all they are found by, and their accounts, many to a statement. */
final readonly class PeopleWriter
{
    private BulkWriter $rows;

    private NameIndex $index;

    public function __construct(Connection $db)
    {
        $this->rows = new BulkWriter($db);
        $this->index = new NameIndex($db);
    }

    /**
     * @param string $id       a fresh one
     * @param string $division id
     *
     * @return array{string, string} the name they are sorted by, and all words they are found by, each led by a blank
     */
    public function add(
        string $id,
        string $kind,
        string $division,
        string $given,
        string $family,
        ?int $level,
        ?string $number,
        ?string $email,
        ?string $login,
        ?string $preferred,
        ?string $former,
    ): array {
        $sortName = self::sortName($given, $family);
        $names = $this->findable($id, $division, $given, $family, $preferred, $former, $number, $email, $login);
        $this->rows->add('person', [
            'id' => BulkWriter::id($id),
            'kind' => $kind,
            'division_id' => BulkWriter::id($division),
            'given_name' => $given,
            'family_name' => $family,
            'sort_name' => $sortName,
            'terms' => $names,
            'level' => $level,
            'preferred_name' => $preferred,
            'former_name' => $former,
            'number' => $number,
            'email' => $email,
        ]);

        return [$sortName, $names];
    }

    /**
     * What somebody is found by: the words of their names, number and login, and the pairs of their names.
     *
     * @return string the words, each led by a blank
     */
    public function findable(
        string $id,
        string $division,
        string $given,
        string $family,
        ?string $preferred,
        ?string $former,
        ?string $number,
        ?string $email,
        ?string $login,
    ): string {
        $terms = Terms::of(implode(' ', array_filter([$preferred, $given, $family, $former])), $number, $login);
        $names = ' '.implode(' ', $terms);
        foreach ($terms as $term) {
            $this->rows->add('person_term', ['term' => $term, 'person_id' => BulkWriter::id($id), 'names' => $names]);
        }
        $this->index->add($id, $division, $given, $family, $preferred, $former, $email);

        return $names;
    }

    public function account(
        string $person,
        string $login,
        int $now,
        ?string $passwordHash = null,
        int $closedFrom = Time::FOREVER,
        bool $platformAdministrator = false,
    ): void {
        $this->rows->add('account', [
            'person_id' => BulkWriter::id($person),
            'login' => mb_strtolower($login),
            'password_hash' => $passwordHash,
            'closed_from' => Instant::toSql($closedFrom),
            'platform_administrator' => $platformAdministrator,
            'made_at' => Instant::toSql($now),
        ]);
    }

    /** "Family, Given": how lists are sorted. */
    public static function sortName(string $given, string $family): string
    {
        return $family.', '.$given;
    }

    public function write(): void
    {
        $this->rows->flush();
        $this->index->write();
    }
}
