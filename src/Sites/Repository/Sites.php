<?php

declare(strict_types=1);

namespace MintDoor\Sites\Repository;

use MintDoor\Platform\Entity\Division;
use MintDoor\Platform\Entity\Term;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Named;
use MintDoor\Shared\Row;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\SiteRow;

/** @extends BaseRepository<Site> */
final class Sites extends BaseRepository
{
    protected const ENTITY = Site::class;

    /** SQL for what the rules need to know of the sections of a site `s`, read with it in one statement. */
    public const SECTIONS = <<<'SQL'
        (
            SELECT JSON_ARRAYAGG(JSON_ARRAY(LOWER(HEX(c.id)), c.seats, c.from_at, c.until_at, c.retired)
                ORDER BY c.place, c.name, c.id)
            FROM section c
            WHERE c.site_id = s.id
        )
        SQL;

    public function isTaken(string $code): bool
    {
        return null !== $this->findOneBy(['code' => $code]);
    }

    /**
     * What sites are called, by their short codes.
     *
     * @param list<string> $codes
     *
     * @return list<Named>
     */
    public function named(array $codes): array
    {
        $sites = [] === $codes ? [] : $this->findBy(['code' => $codes, 'takenBack' => false]);

        return array_map(static fn(Site $site): Named => new Named($site->code, $site->title), $sites);
    }

    /** Whether there is one. */
    public function any(): bool
    {
        return null !== $this->findOneBy(['takenBack' => false]);
    }

    /** The highest level a site is for; 0 where none says. */
    public function highestLevel(): int
    {
        $site = Site::class;

        return (int) $this->dql("SELECT MAX(s.levelHighest) FROM $site s", [])->getSingleScalarResult();
    }

    /** @param array<string, mixed> $facts some of what `Site::kept()` has, as they shall be */
    public function put(Site $site, array $facts): void
    {
        foreach ($facts as $name => $value) {
            match ($name) {
                'divisionId' => $site->division = $this->reference(Division::class, (string) $value),
                'termId' => $site->term = null === $value
                    ? null
                    : $this->reference(Term::class, (string) $value),
                default => $site->{$name} = $value,
            };
        }
    }

    /** A site that is there for sure. */
    public function known(string $id): Site
    {
        return $this->reference(Site::class, $id);
    }

    /**
     * With division and term, as the core and the contract have them. By hand: lists of sites read hundreds at once.
     *
     * @param list<string> $ids
     *
     * @return list<Row> with `SiteRow::COLUMNS`
     */
    public function withTerms(array $ids): array
    {
        return [] === $ids
            ? []
            : $this->rows(
                'SELECT '.SiteRow::COLUMNS.' FROM '.SiteRow::TABLES.' WHERE s.id IN (?)',
                [array_map(Id::binary(...), $ids)],
            );
    }

    /** The site that one is part of by now; null where it is part of none. */
    public function nowPartOf(string $site): ?string
    {
        $now = $this->find($site)?->mergedInto;
        while (null !== $now?->mergedInto) {
            $now = $now->mergedInto;
        }

        return $now?->id;
    }

    /** @return list<string> ids of the sites that are part of one by now, and of those that were part of them */
    public function mergedInto(string $site): array
    {
        $all = [];
        $into = [$site];
        while ([] !== $into) {
            $found = array_map(static fn(Site $one): string => $one->id, $this->findBy(['mergedInto' => $into]));
            $into = array_values(array_diff($found, $all));
            $all = [...$all, ...$into];
        }

        return $all;
    }

    /** @return array<string, int> how many sites there are of a kind, by its code */
    public function ofEachKind(): array
    {
        $counts = [];
        foreach ($this->rows('SELECT kind, COUNT(*) AS many FROM site WHERE taken_back = 0 GROUP BY kind') as $row) {
            $counts[$row->string('kind')] = $row->int('many');
        }

        return $counts;
    }
}
