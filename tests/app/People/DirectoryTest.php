<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\People;

use MintDoor\Shared\Cursor;
use MintDoor\Shared\Repository\WordIndex;
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

    public function testWhoIsCalledWhatWasTypedComesFirstAndEverybodyOnce(): void
    {
        foreach ([['Lin', 'Zabel'], ['Lin', 'Abel'], ['Linda', 'Lindgren'], ['Ada', 'Lin']] as [$given, $family]) {
            $this->platform->person('learner', $this->ids['seniors'], $given, $family);
        }
        $this->platform->write();
        $found = [];
        $cursor = '';
        do {
            $page = $this->call('admin', 'GET', "/directory?q=lin&limit=1&cursor=$cursor");
            self::assertSame([4, false], [$page['total'], $page['moreThanThat']]);
            $found[] = $page['items'][0]['person']['family'];
            $cursor = $page['next'];
        } while (null !== $cursor);
        self::assertSame(['Abel', 'Lin', 'Zabel', 'Lindgren'], $found);
        self::assertSame(['lin'], $this->names('admin', '?q=lin%20za'));
        self::assertSame(['linda'], $this->names('admin', '?q=li%20li%20linda'));
    }

    public function testAPlaceAmongOthersIsSaidToBeUnknown(): void
    {
        $next = $this->call('admin', 'GET', '/directory?q=x77&limit=2')['next'];
        self::assertCount(2, $this->call('admin', 'GET', "/directory?q=x77&limit=2&cursor=$next")['items']);
        self::assertStringNotContainsStringIgnoringCase('X77A', (string) base64_decode(strtr($next, '-_', '+/')));
        foreach (['?q=new', '', '?label=x&q=x77'] as $elsewhere) {
            $query = $elsewhere.('' === $elsewhere ? '?' : '&')."cursor=$next";
            $problem = $this->call('admin', 'GET', '/directory'.$query, null, 422);
            self::assertStringEndsWith('bad-cursor', $problem['type']);
        }
    }

    /** What somebody is found by may not be shown: a place tells nothing of it, nor of whom the list does not have. */
    public function testAPlaceIsOnlyOfWhomTheListHas(): void
    {
        $at = static fn(string $id): string => Cursor::write('directory by words', ['x77', $id]);
        $this->call('lead', 'GET', '/directory?q=x77&cursor='.$at($this->ids['admin']));
        foreach ([$this->ids['junior'], $this->ids['evening']] as $elsewhere) {
            $problem = $this->call('lead', 'GET', '/directory?q=x77&cursor='.$at($elsewhere), null, 422);
            self::assertStringEndsWith('bad-cursor', $problem['type']);
        }
    }

    public function testManyWhomAWordFindsAreNotAllCounted(): void
    {
        foreach (range(1, WordIndex::COUNT_TO) as $n) {
            $this->platform->person('learner', $this->ids['seniors'], 'Multi', "Multimann$n");
        }
        $this->platform->write();
        $page = $this->call('admin', 'GET', '/directory?q=multi&limit=1');
        self::assertSame([500, false], [$page['total'], $page['moreThanThat']]);
        $this->platform->person('learner', $this->ids['seniors'], 'One', 'Multimore');
        $this->platform->write();
        $page = $this->call('admin', 'GET', '/directory?q=multi&limit=1');
        self::assertSame([500, true], [$page['total'], $page['moreThanThat']]);
        self::assertCount(501, $this->call('admin', 'GET', '/directory/ids?q=multi')['ids']);
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
