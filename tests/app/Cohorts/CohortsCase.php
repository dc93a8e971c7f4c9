<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Cohorts;

use MintDoor\Cohorts\CohortTicker;
use MintDoor\People\Repository\Labels;
use MintDoor\Tests\App\ApiTestCase;

/** A site without a limit of seats, one more site, and people to be brought. */
abstract class CohortsCase extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['other'] = $this->platform->site(
            'BAROQUE',
            'Baroque',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            null,
            null,
            $this->now() - 1_000_000,
        );
        $this->platform->letIn($this->ids['other'], $this->ids['lead'], 'lead-tutor', $this->now() - 900_000);
        foreach (['ada', 'bo', 'cem', 'dana'] as $name) {
            $this->ids[$name] = $this->person($name, 'learner', 'seniors', 7);
        }
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->db()->executeStatement('UPDATE site SET seats = NULL');
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    protected function cohort(array $more = [], int $status = 200, string $as = 'admin'): array
    {
        $body = ['name' => 'Strings', 'division' => 'seniors', ...$more];

        return $this->call($as, 'POST', '/cohorts', $body, $status);
    }

    /** @return array{kind: string, names: list<string>} a rule: whoever bears a label */
    protected static function labelled(string ...$labels): array
    {
        return ['kind' => 'labels', 'names' => array_values($labels)];
    }

    /** @param list<string> $people */
    protected function label(string $label, array $people, bool $on = true): void
    {
        $ids = array_map(fn(string $person): string => $this->ids[$person], $people);
        [] === $ids || $this->service(Labels::class)->set($label, $ids, $on, $this->ids['admin'], $this->now());
    }

    /**
     * @param array<string, mixed> $cohort
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed> what became of the site
     */
    protected function connect(array $cohort, array $more = [], string $as = 'lead'): array
    {
        $body = [
            'sites' => [$this->ids['other']],
            'role' => 'learner',
            'cohorts' => [$cohort['id']],
            'apply' => true,
            ...$more,
        ];

        return $this->call($as, 'POST', '/cohort-links', $body)['items'][0];
    }

    /** @return int how many came, went, or stay for another time */
    protected function keep(): int
    {
        return $this->service(CohortTicker::class)->keep()->lines;
    }

    /** That looking at everything as if nothing were known finds nothing to mend. */
    protected function assertInStep(): void
    {
        $mended = $this->service(CohortTicker::class)->compare();
        self::assertSame([0, 0], [$mended->members, $mended->lines]);
    }

    /** @return list<string> names of the learners who are in a site, in their order */
    protected function learners(string $site = 'other'): array
    {
        $here = array_filter(
            $this->roster('lead', '', $site),
            static fn(string $as): bool => 'learner current' === $as
        );
        $names = array_keys($here);
        sort($names);

        return $names;
    }

    /**
     * @param array<string, mixed> $cohort
     * @param list<string>         $add
     * @param list<string>         $remove
     *
     * @return array<string, mixed>
     */
    protected function put(array $cohort, array $add, array $remove = [], int $status = 200): array
    {
        $ids = fn(array $names): array => array_map(fn(string $name): string => $this->ids[$name], $names);
        $body = ['add' => $ids($add), 'remove' => $ids($remove)];

        return $this->call('admin', 'POST', '/cohorts/'.$cohort['id'].'/members', $body, $status);
    }

    /**
     * @param array<string, mixed> $cohort
     *
     * @return list<string> names of those who belong, in their order
     */
    protected function members(array $cohort): array
    {
        $items = $this->call('admin', 'GET', '/cohorts/'.$cohort['id'].'/members')['items'];

        $name = static fn(array $one): string => strtolower(explode(' ', $one['name'])[0]);

        return array_values(array_map($name, $items));
    }
}
