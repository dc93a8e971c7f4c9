<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use MintDoor\People\Entity\DivisionAdministrator;
use MintDoor\People\Entity\Person;
use MintDoor\Platform\Entity\Division;
use MintDoor\Shared\BaseRepository;

/**
 * Who administers which divisions.
 *
 * @extends BaseRepository<DivisionAdministrator>
 */
final class Administrations extends BaseRepository
{
    protected const ENTITY = DivisionAdministrator::class;

    /** @return list<string> codes of the divisions somebody administers, sorted */
    public function divisionsOf(string $person): array
    {
        $codes = array_map(
            static fn(DivisionAdministrator $one): string => $one->division->code,
            $this->findBy(['person' => $person]),
        );
        sort($codes);

        return $codes;
    }

    /** @param list<Division> $divisions all that somebody administers from now on */
    public function replace(string $person, array $divisions): void
    {
        $wanted = array_column($divisions, null, 'id');
        foreach ($this->findBy(['person' => $person]) as $one) {
            if (!isset($wanted[$one->division->id])) {
                $this->remove($one);
            }
            unset($wanted[$one->division->id]);
        }
        foreach ($wanted as $division) {
            $this->add(new DivisionAdministrator($this->reference(Person::class, $person), $division));
        }
        $this->flush();
    }

    /** @return list<array{name: string, divisions: list<string>}> who administers which, by name */
    public function named(): array
    {
        $all = [];
        foreach ($this->findAll() as $one) {
            $all[$one->person->id]['name'] = $one->person->name();
            $all[$one->person->id]['divisions'][] = $one->division->code;
        }
        usort($all, static fn(array $a, array $b): int => $a['name'] <=> $b['name']);

        return $all;
    }

    /** @return array<string, list<string>> codes of divisions by person */
    public function all(): array
    {
        $all = [];
        $query = $this->createQueryBuilder('a')->addSelect('d')->join('a.division', 'd')->orderBy('d.code');
        foreach ($query->getQuery()->getResult() as $one) {
            \assert($one instanceof DivisionAdministrator);
            $all[$one->person->id][] = $one->division->code;
        }

        return $all;
    }
}
