<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use MintDoor\People\Entity\NumbersReader;
use MintDoor\People\Entity\Person;
use MintDoor\People\ReadsNumbers;
use MintDoor\Platform\Entity\Division;
use MintDoor\Shared\BaseRepository;

/**
 * Who may look at numbers, of which divisions.
 *
 * @extends BaseRepository<NumbersReader>
 */
final class NumbersReaders extends BaseRepository
{
    protected const ENTITY = NumbersReader::class;

    public function of(string $person): ReadsNumbers
    {
        return self::read($this->findBy(['person' => $person]));
    }

    /** @return array<string, ReadsNumbers> by id of a person, those with any */
    public function all(): array
    {
        $all = [];
        foreach ($this->findAll() as $one) {
            $all[$one->person->id][] = $one;
        }

        return array_map(self::read(...), $all);
    }

    /**
     * What somebody may look at from now on.
     *
     * @param bool           $everything of the whole platform
     * @param list<Division> $divisions
     */
    public function replace(string $person, bool $everything, array $divisions): void
    {
        foreach ($this->findBy(['person' => $person]) as $one) {
            $this->remove($one);
        }
        $this->flush();
        foreach ([...$everything ? [null] : [], ...$divisions] as $division) {
            $this->add(new NumbersReader(self::newId(), $this->reference(Person::class, $person), $division));
        }
        $this->flush();
    }

    /** @param list<NumbersReader> $rows */
    private static function read(array $rows): ReadsNumbers
    {
        $codes = array_map(static fn(NumbersReader $one): ?string => $one->division?->code, $rows);
        $divisions = array_values(array_filter($codes, is_string(...)));
        sort($divisions);

        return new ReadsNumbers(\in_array(null, $codes, true), $divisions);
    }
}
