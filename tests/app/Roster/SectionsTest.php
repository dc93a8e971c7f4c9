<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Roster;

use MintDoor\Tests\App\ApiTestCase;

/** Sections of a site: made, ordered, retired, and people put into them. */
final class SectionsTest extends ApiTestCase
{
    public function testSectionsAreMadeRenamedOrderedAndRetired(): void
    {
        $made = $this->put([['name' => 'Morning', 'seats' => 2], ['name' => 'Evening', 'until' => '2026-12-11']]);
        self::assertSame(['Morning', 'Evening'], array_column($made['sections'], 'name'));
        self::assertSame([2, null], array_column($made['sections'], 'seats'));
        self::assertSame('2026-12-11', $made['sections'][1]['until']);
        [$morning, $evening] = array_column($made['sections'], 'id');
        $changed = $this->put([
            ['id' => $evening, 'name' => 'Late', 'meets' => 'Tuesdays at 18:00'],
            ['id' => $morning, 'name' => 'Morning', 'retired' => true],
        ]);
        self::assertSame(['Late', 'Morning'], array_column($changed['sections'], 'name'));
        self::assertSame([false, true], array_column($changed['sections'], 'retired'));
        $site = $this->call('lead', 'GET', $this->path());
        self::assertSame([false, true], array_column($site['sections'], 'retired'));
        $again = $this->put([['id' => $evening, 'name' => 'Late', 'meets' => 'Tuesdays at 18:00']]);
        self::assertNull($again['entry'], 'nothing to do');
    }

    public function testWhatIsWrongIsSaidAtItsField(): void
    {
        $wrong = $this->put([['name' => 'Morning'], ['name' => 'morning ']], expected: 422);
        self::assertSame('/sections/1/name', $wrong['errors'][0]['pointer']);
        $wrong = $this->put([['name' => 'Morning', 'from' => '2026-12-10', 'until' => '2026-12-01']], expected: 422);
        self::assertSame('/sections/0/until', $wrong['errors'][0]['pointer']);
        $wrong = $this->put([['name' => 'Morning', 'id' => $this->ids['lead']]], expected: 422);
        self::assertSame('/sections/0/id', $wrong['errors'][0]['pointer']);
    }

    public function testAChangeOfSectionsIsUndoneUnlessTheyWereChangedOrUsedSince(): void
    {
        $made = $this->put([['name' => 'Morning', 'seats' => 5]]);
        $renamed = $this->put([['id' => $made['sections'][0]['id'], 'name' => 'Early']]);
        $this->call('lead', 'POST', $this->path('/history/'.$made['entry'].'/undo'), null, 409);
        $this->call('lead', 'POST', $this->path('/history/'.$renamed['entry'].'/undo'));
        $now = $this->call('lead', 'GET', $this->path('/sections'))['sections'][0];
        self::assertSame(['Morning', 5], [$now['name'], $now['seats']]);
        $this->call('lead', 'POST', $this->path('/history/'.$made['entry'].'/undo'));
        self::assertTrue($this->call('lead', 'GET', $this->path('/sections'))['sections'][0]['retired']);
        $more = $this->put([['name' => 'Evening']]);
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $more['sections'][0]['id']]);
        $this->call('lead', 'POST', $this->path('/history/'.$more['entry'].'/undo'), null, 409);
    }

    public function testPeopleArePutInMovedAndTakenOut(): void
    {
        [$morning, $evening] = $this->sections('Morning', 'Evening');
        $line = $this->change('lead', 'put-in-section', 'learner', more: ['section' => $morning]);
        self::assertSame([$morning], $line['after']['sections']);
        self::assertSame(['learner'], array_keys($this->roster('lead', "?section=$morning")));
        self::assertSame(['learner'], array_keys($this->roster('lead', '?section=none&role=learner')) ?: ['learner']);
        $line = $this->change('lead', 'put-in-section', 'learner', more: ['section' => $evening]);
        self::assertSame([$evening], $line['after']['sections']);
        $this->call('lead', 'POST', $this->path('/history/'.$line['entry'].'/undo'));
        self::assertSame(['learner'], array_keys($this->roster('lead', "?section=$morning")));
        $out = $this->change('lead', 'change-sections', 'learner', more: ['sections' => []]);
        self::assertSame([], $out['after']['sections']);
        self::assertContains('learner', array_keys($this->roster('lead', '?section=none')));
        $answer = $this->call('lead', 'GET', $this->path('/sections'));
        self::assertSame([1, 0], [$answer['none'], $answer['sections'][0]['learners']]);
        [$status, $said] = $this->command('roster:verify');
        self::assertSame(0, $status, $said);
    }

    public function testAFullSectionTakesNobodyAndIsNotMadeSmallerThanItIsHeld(): void
    {
        $made = $this->put([['name' => 'Morning', 'seats' => 1]]);
        $morning = $made['sections'][0]['id'];
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $morning]);
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        $full = $this->change('lead', 'put-in-section', 'newcomer', expected: 409, more: ['section' => $morning]);
        self::assertSame('section-full', $full['line']['reasons'][0]['code'] ?? null, json_encode($full) ?: '');
        self::assertSame('Morning', $full['line']['reasons'][0]['values']['section']);
        $this->put([['id' => $morning, 'name' => 'Morning', 'seats' => 2]]);
        $this->change('lead', 'put-in-section', 'newcomer', more: ['section' => $morning]);
        $wrong = $this->put([['id' => $morning, 'name' => 'Morning', 'seats' => 1]], expected: 422);
        self::assertSame('/sections/0/seats', $wrong['errors'][0]['pointer']);
        $wrong = $this->put([['id' => $morning, 'name' => 'Morning', 'seats' => 2, 'retired' => true]], expected: 422);
        self::assertSame('/sections/0/retired', $wrong['errors'][0]['pointer']);
    }

    public function testASectionThatADoorLeadsIntoIsNotRetired(): void
    {
        [$morning] = $this->sections('Morning');
        $door = ['name' => 'Poster', 'place' => 'fixed', 'section' => $morning];
        $this->call('lead', 'POST', $this->path('/doors'), $door, 201);
        $wrong = $this->put([['id' => $morning, 'name' => 'Morning', 'retired' => true]], expected: 422);
        self::assertStringContainsString('Poster', $wrong['errors'][0]['detail']);
    }

    public function testWhoArrangesSections(): void
    {
        [$morning] = $this->sections('Morning');
        $this->put([['id' => $morning, 'name' => 'M']], as: 'cotutor');
        $this->put([['id' => $morning, 'name' => 'M']], as: 'assistant', expected: 403);
        // Whether they see one another is for who runs the site.
        $this->put([['id' => $morning, 'name' => 'M']], as: 'cotutor', apart: true, expected: 403);
        $this->put([['id' => $morning, 'name' => 'M']], apart: true);
        $this->change('lead', 'put-in-section', 'cotutor', more: ['section' => $morning]);
        $this->put([['id' => $morning, 'name' => 'Mine']], as: 'cotutor', apart: true, expected: 403);
        $this->change('cotutor', 'change-sections', 'cotutor', expected: 409, more: ['sections' => []]);
        $this->call('cotutor', 'GET', $this->path('/doors'), null, 403);
        $this->call('assistant', 'PUT', $this->path('/sections'), ['sections' => []], 403);
    }

    public function testWhoIsKeptToASectionDoesNotSeeAsSomebodyWhoIsNot(): void
    {
        [$morning, $evening] = $this->sections('Morning', 'Evening');
        $this->put([], apart: true);
        $this->change('lead', 'put-in-section', 'cotutor', more: ['section' => $morning]);
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $evening]);
        foreach (["section:$evening", 'person:'.$this->ids['learner']] as $as) {
            $this->call('cotutor', 'GET', $this->path("/roster?as=$as"), null, 404);
        }
        $assistant = 'person:'.$this->ids['assistant'];
        foreach (['role:co-tutor', 'role:class-assistant', "section:$morning", $assistant] as $as) {
            $rows = $this->call('cotutor', 'GET', $this->path("/roster?as=$as"))['items'];
            $ids = array_map(static fn(array $row): string => $row['person']['id'], $rows);
            self::assertNotContains($this->ids['learner'], $ids, $as);
        }
    }

    public function testTheSectionHasItsOwnDates(): void
    {
        $tomorrow = (new \DateTimeImmutable('@'.($this->now() + 2 * 86_400)))->format('Y-m-d');
        $made = $this->put([['name' => 'Later', 'from' => $tomorrow]]);
        $section = $made['sections'][0]['id'];
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $section]);
        $check = $this->call('lead', 'GET', $this->path('/access-check/'.$this->ids['learner']));
        self::assertSame('section-upcoming', $check['reason']['causes'][0]['code']);
        self::assertSame('Later', $check['reason']['causes'][0]['values']['section']);
        $this->call('learner', 'GET', $this->path('/roster'), null, 403);
        $this->put([['id' => $section, 'name' => 'Later']]);
        $this->call('learner', 'GET', $this->path('/roster'));
    }

    /** @return list<string> ids */
    private function sections(string ...$names): array
    {
        $made = $this->put(array_map(static fn(string $name): array => ['name' => $name], array_values($names)));

        return array_values(array_column($made['sections'], 'id'));
    }

    /**
     * @param list<array<string, mixed>> $sections
     *
     * @return array<string, mixed>
     */
    private function put(array $sections, string $as = 'lead', bool $apart = false, int $expected = 200): array
    {
        $version = $this->call('lead', 'GET', $this->path())['version'];
        $body = ['sections' => $sections, 'apart' => $apart];

        return $this->call($as, 'PUT', $this->path('/sections'), $body, $expected, ['If-Match' => "\"$version\""]);
    }

    private function path(string $more = ''): string
    {
        return '/sites/'.$this->ids['site'].$more;
    }
}
