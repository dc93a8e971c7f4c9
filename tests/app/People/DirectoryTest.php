<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\People;

use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;

final class DirectoryTest extends ApiTestCase
{
    /** @param list<string> $names */
    #[TestWith(['?kind=learner&division=seniors', ['learner', 'newcomer']])]
    #[TestWith(['?q=newc', ['newcomer']])]
    #[TestWith(['?q=newcomersen%20new', ['newcomer']])]
    #[TestWith(['?level=3', ['junior']])]
    #[TestWith(['?kind=guardian', ['guardian']])]
    #[TestWith([
        '?q=%25',
        [
            'admin',
            'assistant',
            'colleague',
            'cotutor',
            'elsewhere',
            'guardian',
            'junior',
            'lead',
            'learner',
            'newcomer',
        ],
    ])]
    public function testPeopleAreListedByWhatTheyAre(string $query, array $names): void
    {
        self::assertSame($names, $this->names('admin', $query));
        self::assertCount(\count($names), $this->call('admin', 'GET', '/directory/ids'.$query)['ids']);
    }

    public function testOnlyThoseWithinReachAndThoseOfASiteOneRuns(): void
    {
        self::assertNotContains('junior', $this->names('lead', ''));
        self::assertSame(
            ['assistant', 'cotutor', 'lead', 'learner'],
            $this->names('lead', '?site='.$this->ids['site']),
        );
        $this->call('elsewhere', 'GET', '/directory?site='.$this->ids['site'], null, 404);
        $this->call('assistant', 'GET', '/directory?site='.$this->ids['site'], null, 403);
    }

    public function testPagesFollowOneAnother(): void
    {
        $first = $this->call('admin', 'GET', '/directory?limit=4');
        $second = $this->call('admin', 'GET', '/directory?limit=4&cursor='.$first['next']);
        self::assertSame([10, 4, 4], [$first['total'], \count($first['items']), \count($second['items'])]);
        self::assertSame(
            [],
            array_intersect(
                array_column(array_column($first['items'], 'person'), 'id'),
                array_column(array_column($second['items'], 'person'), 'id'),
            ),
        );
    }

    /** @return list<string> */
    private function names(string $as, string $query): array
    {
        $names = array_map(
            strtolower(...),
            array_column(array_column($this->call($as, 'GET', '/directory'.$query)['items'], 'person'), 'given'),
        );
        sort($names);

        return $names;
    }
}
