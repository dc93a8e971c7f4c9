<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Plans;

use MintDoor\Plans\ComputePlan;
use MintDoor\Plans\PlanRunner;

/** Plans of several sites computed in one go: whoever is in several has a place in each, at different hours. */
final class PlansTogetherTest extends PlanCase
{
    private const SITE = ['Morning' => 2, 'Noon' => null, 'Evening' => 1];

    private const DRAFT = ['Early' => null, 'Late' => null];

    protected function setUp(): void
    {
        parent::setUp();
        $made = $this->put('sections', ['sections' => [['name' => 'Early'], ['name' => 'Late']]], 'draft');
        $this->sections += array_column($made['sections'], 'id', 'name');
        $hours = ['first' => '2026-11-23', 'time' => '09:30', 'minutes' => 90, 'days' => [1], 'until' => '2026-12-18'];
        $this->put('hours', ['hours' => [[...$hours, 'section' => $this->sections['Morning']]]]);
        $early = [...$hours, 'time' => '10:00', 'section' => $this->sections['Early']];
        $this->put('hours', ['hours' => [$early]], 'draft');
    }

    public function testWhoeverIsInBothIsNotPutInTwoPlacesAtOnce(): void
    {
        $this->asked();
        self::assertSame(['Morning', 'Early'], $this->computed(), 'each by itself');
        $this->joined(['draft']);
        $plan = $this->call('lead', 'POST', $this->path('/compute'))['plan'];
        self::assertSame(['computed', 'Draft'], [$plan['state'], $plan['with'][0]['site']['name']]);
        $there = $this->call('lead', 'GET', $this->path(site: 'draft'))['plan'];
        self::assertSame(['computed', 'Harmony'], [$there['state'], $there['with'][0]['site']['name']]);
        self::assertNotSame(['Morning', 'Early'], $both = $this->places());
        self::assertNotContains(null, $both);
        foreach (['site', 'draft'] as $site) {
            $record = $this->call('lead', 'GET', $this->path('/record', $site));
            self::assertCount(5, $record['seeds']);
            $file = (string) tempnam(sys_get_temp_dir(), 'plan');
            file_put_contents($file, json_encode($record, \JSON_THROW_ON_ERROR));
            self::assertSame(0, $this->command('plans:check', ['record' => $file])[0]);
            unlink($file);
        }
        // One is carried out; the other is then planned around it, and its lot stays.
        $tag = ['If-Match' => '"'.$plan['version'].'"'];
        $done = $this->call('lead', 'POST', $this->path('/apply'), null, 200, $tag)['plan'];
        $again = $this->call('lead', 'POST', $this->path('/compute', 'draft'))['plan'];
        self::assertSame([$there['seed'], 'computed'], [$again['seed'], $again['state']]);
        self::assertSame($both, $this->places());
        self::assertSame('applied', $this->call('lead', 'GET', $this->path())['plan']['state']);
        $told = $this->call('learner', 'GET', '/me/wishes')['items'];
        $place = array_values(array_filter(array_column($told, 'place')))[0];
        self::assertSame([$done['seed'], $this->ids['learner']], [$place['seed'], $place['person']]);
    }

    public function testWhatOneCouldBePlannedWithIsFoundByItsPeople(): void
    {
        $near = fn(): array => array_map(
            static fn(array $one): array => [$one['site']['name'], $one['people'], $one['planned'], $one['with']],
            $this->call('lead', 'GET', $this->path('/with'))['items'],
        );
        self::assertSame([['Draft', 1, false, false]], $near());
        $this->plan(self::SITE);
        $error = $this->joined(['draft'], 422)['errors'][0];
        self::assertSame('/sites/0', $error['pointer']);
        $this->plan(self::DRAFT, site: 'draft');
        $this->joined(['draft']);
        self::assertSame([['Draft', 1, true, true]], $near());
        self::assertSame([], $this->joined([])['plan']['with']);
        self::assertSame([], $this->call('lead', 'GET', $this->path(site: 'draft'))['plan']['with']);
        $this->joined(['draft']);
        $this->call('lead', 'DELETE', $this->path(site: 'draft'));
        self::assertSame([], $this->call('lead', 'GET', $this->path())['plan']['with']);
    }

    public function testWhoIsLeftOutStaysWithTheOthers(): void
    {
        $this->ids['third site'] = $this->platform->site(
            'THIRD',
            'Third',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            null,
            null,
        );
        $lead = $this->ids['lead'];
        $this->platform->letIn($this->ids['third site'], $lead, 'lead-tutor', $this->now(), by: $lead);
        $this->platform->write();
        $made = $this->put('sections', ['sections' => [['name' => 'Only']]], 'third site');
        $this->sections += array_column($made['sections'], 'id', 'name');
        $this->plan(self::SITE);
        $this->plan(self::DRAFT, site: 'draft');
        $this->plan(['Only' => null], site: 'third site');
        $this->joined(['draft', 'third site']);
        self::assertCount(2, $this->call('lead', 'GET', $this->path(site: 'draft'))['plan']['with']);
        $this->joined([]);
        $with = $this->call('lead', 'GET', $this->path(site: 'draft'))['plan']['with'];
        self::assertSame(['Third'], array_column(array_column($with, 'site'), 'name'));
        $error = $this->joined(['draft'], 422)['errors'][0];
        self::assertSame('not-ready', $error['code']);
    }

    public function testWhileOneAsksNeitherIsComputed(): void
    {
        $this->plan(self::SITE);
        $this->plan(self::DRAFT, '2026-12-10', site: 'draft');
        $this->joined(['draft']);
        $this->call('lead', 'POST', $this->path('/compute'), null, 409);
        $this->call('lead', 'POST', $this->path('/close', 'draft'));
        $this->call('lead', 'POST', $this->path('/compute'));
    }

    public function testWhoMayNotPlanBothPlansNeitherWithTheOther(): void
    {
        $this->asked();
        $version = $this->call('cotutor', 'GET', $this->path())['plan']['version'];
        self::assertSame([], $this->call('cotutor', 'GET', $this->path('/with'))['items']);
        $body = ['sites' => [$this->ids['draft']]];
        $tag = ['If-Match' => "\"$version\""];
        $this->call('cotutor', 'PUT', $this->path('/with'), $body, 403, $tag);
        $this->call('cotutor', 'POST', $this->path('/compute'));
        $this->joined(['draft']);
        $said = $this->call('cotutor', 'POST', $this->path('/compute'), null, 403);
        self::assertStringNotContainsString('Draft', $said['detail']);
        $this->call('lead', 'POST', $this->path('/compute'));
        self::assertNull($this->call('cotutor', 'GET', $this->path())['plan']['with'][0]['site']);
        // It says what people of both wish.
        $this->call('cotutor', 'GET', $this->path('/record'), null, 403);
        $people = json_encode($this->call('cotutor', 'GET', $this->path('/people')), \JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString($this->sections['Early'], $people);
    }

    public function testAWorkerComputesAllOfThemAndWhoIsGoneIsLeftOut(): void
    {
        $this->asked();
        $this->joined(['draft']);
        $computing = "UPDATE site_plan SET state = 'computing', version = 7, seed = 'seed'";
        $this->db()->executeStatement($computing);
        $runner = $this->service(PlanRunner::class);
        $runner(new ComputePlan($this->planId(), 7));
        self::assertNotSame(['Morning', 'Early'], $this->places());
        $this->db()->executeStatement($computing);
        $this->call('lead', 'DELETE', $this->path(site: 'draft'));
        self::assertSame('set', $this->call('lead', 'GET', $this->path())['plan']['state'], 'not computed for ever');
    }

    /** Both have a plan, and the learner wishes what meets at the same time. */
    private function asked(): void
    {
        $this->plan(self::SITE, '2026-12-10');
        $this->plan(self::DRAFT, '2026-12-10', site: 'draft');
        $this->wish('learner', ['Morning', 'Noon']);
        $this->wish('learner', ['Early', 'Late'], site: 'draft');
        $this->call('lead', 'POST', $this->path('/close'));
        $this->call('lead', 'POST', $this->path('/close', 'draft'));
    }

    /**
     * @param list<string> $sites
     *
     * @return array<string, mixed>
     */
    private function joined(array $sites, int $expected = 200): array
    {
        $version = $this->call('lead', 'GET', $this->path())['plan']['version'];
        $ids = array_map(fn(string $site): string => $this->ids[$site], $sites);
        $tag = ['If-Match' => "\"$version\""];

        return $this->call('lead', 'PUT', $this->path('/with'), ['sites' => $ids], $expected, $tag);
    }

    /** @return list<?string> names of the sections of the learner, in both sites */
    private function computed(): array
    {
        $this->call('lead', 'POST', $this->path('/compute'));
        $this->call('lead', 'POST', $this->path('/compute', 'draft'));

        return $this->places();
    }

    /** @return list<?string> names of the sections of the learner, in both sites */
    private function places(): array
    {
        $names = array_flip($this->sections);
        $places = [];
        foreach (['site', 'draft'] as $site) {
            foreach ($this->call('lead', 'GET', $this->path('/people', $site))['items'] as $one) {
                $one['person']['id'] === $this->ids['learner'] && ($places[] = $names[$one['section']] ?? null);
            }
        }

        return $places;
    }
}
