<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use MintDoor\Accounts\Entity\ToldApart;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;

/**
 * Pairs of people of whom somebody said that they are two. Each pair is kept once, the smaller id first.
 *
 * @extends BaseRepository<ToldApart>
 */
final class ToldApartPairs extends BaseRepository
{
    protected const ENTITY = ToldApart::class;

    public function tell(string $one, string $other, string $by, int $now): void
    {
        [$first, $second] = [min($one, $other), max($one, $other)];
        if (null === $this->find(['one' => $first, 'other' => $second])) {
            $this->add(new ToldApart(
                $this->reference(Person::class, $first),
                $this->reference(Person::class, $second),
                $this->reference(Person::class, $by),
                $now,
            ));
            $this->flush();
        }
    }

    public function takeBack(string $one, string $other): void
    {
        $pair = $this->find(['one' => min($one, $other), 'other' => max($one, $other)]);
        if (null !== $pair) {
            $this->remove($pair);
            $this->flush();
        }
    }

    /** @return array<string, true> both ids in one string, the smaller first */
    public function all(): array
    {
        $query = $this->createQueryBuilder('t')
            ->select('a.id AS one', 'b.id AS other')
            ->join('t.one', 'a')
            ->join('t.other', 'b');
        $pairs = [];
        foreach ($query->getQuery()->getArrayResult() as ['one' => $one, 'other' => $other]) {
            $pairs[$one.$other] = true;
        }

        return $pairs;
    }
}
