<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Groups;

use MintDoor\Tests\App\ApiTestCase;

/** A site of four learners, two of level 7 and two of level 8, and ways of dividing them. */
abstract class GroupsCase extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['third'] = $this->person('third', 'learner', 'seniors', 8);
        $this->ids['fourth'] = $this->person('fourth', 'learner', 'seniors', 8);
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->db()->executeStatement('UPDATE site SET seats = NULL');
        foreach (['newcomer', 'third', 'fourth'] as $person) {
            $this->change('lead', 'let-in', $person, 'learner');
        }
    }

    /** @param ?array<string, mixed> $split */
    protected function path(?array $split = null): string
    {
        return '/sites/'.$this->ids['site'].'/group-splits'.(null === $split ? '' : '/'.$split['id']);
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    protected function make(array $more = [], int $expected = 200): array
    {
        return $this->call('lead', 'POST', $this->path(), ['name' => 'Teams', ...$more], $expected);
    }

    /**
     * @param array<string, mixed> $split
     * @param array<string, mixed> $body
     *
     * @return array<string, mixed>
     */
    protected function put(array $split, array $body, int $expected = 200, ?string $tag = null): array
    {
        $tag ??= '"'.$this->call('lead', 'GET', $this->path($split))['version'].'"';

        return $this->call('lead', 'PUT', $this->path($split), $body, $expected, ['If-Match' => $tag]);
    }

    /**
     * @param array<string, mixed>                         $split
     * @param array<string, array{?string, ?string}> $moves    from and to by name of the group, by person
     * @param list<string>                           $verdicts
     *
     * @return array<string, mixed>
     */
    protected function move(array $split, array $moves, array $verdicts, string $as = 'lead'): array
    {
        $ids = array_column($split['list'], 'id', 'name');
        $wanted = [];
        foreach ($moves as $person => [$from, $to]) {
            $wanted[] = ['person' => $this->ids[$person], 'from' => $ids[$from] ?? null, 'to' => $ids[$to] ?? null];
        }
        $made = $this->call($as, 'POST', $this->path($split).'/moves', ['moves' => $wanted]);
        self::assertSame($verdicts, array_column($made['moves'], 'verdict'));

        return $made;
    }

    /** @param list<string> $people */
    protected function label(string $label, array $people): void
    {
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/labels', [
            'label' => $label,
            'people' => array_map(fn(string $person): string => $this->ids[$person], $people),
            'on' => true,
        ]);
    }

    /**
     * @param array<string, mixed> $split
     *
     * @return array<string, list<string>> people by name of their group, nothing for none, both sorted
     */
    protected function places(array $split): array
    {
        $names = array_column($split['list'], 'name', 'id');
        $who = array_flip($this->ids);
        $places = [];
        foreach ($split['places'] as $place) {
            $places[$names[$place['group']] ?? ''][] = (string) $who[$place['person']];
        }
        foreach ($places as &$people) {
            sort($people);
        }
        unset($people);
        ksort($places);

        return $places;
    }
}
