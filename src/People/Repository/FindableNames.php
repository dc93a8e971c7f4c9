<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use MintDoor\People\Entity\Person;
use MintDoor\People\Entity\PersonTerm;
use MintDoor\People\Facts;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;

/**
 * What people are found by, made from what the directory says of them. By hand: rows of an index, written many at once.
 *
 * @extends BaseRepository<PersonTerm>
 */
final class FindableNames extends BaseRepository
{
    protected const ENTITY = PersonTerm::class;

    /**
     * Takes away what somebody was found by, and writes what they are found by now.
     *
     * @param bool    $found whether anything is to find them
     * @param ?string $login theirs
     *
     * @return string the words, each led by a blank; none where nothing finds them
     */
    public function replace(Person $person, Facts $facts, bool $found, ?string $login): string
    {
        foreach (['person_term', 'person_key'] as $table) {
            $this->execute("DELETE FROM $table WHERE person_id = ?", [Id::binary($person->id)]);
        }
        if (!$found) {
            return '';
        }
        $writer = $this->writer();
        $terms = $writer->findable($person->id, $person->division->id, $facts, $login);
        $writer->write();

        return $terms;
    }

    /** Of many people at once. */
    public function writer(): PeopleWriter
    {
        return new PeopleWriter($this->connection());
    }

    /**
     * Names that nobody bears any more find nothing.
     *
     * @param list<string> $names folded
     */
    public function forgetUnused(array $names): void
    {
        foreach ($names as $name) {
            $borne = $this->row('SELECT 1 FROM person_term WHERE term = ? LIMIT 1', [$name]);
            if (null === $borne) {
                $this->execute('DELETE FROM name_slip WHERE name = ?', [$name]);
            }
        }
    }
}
