<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Posture\AsksLess;
use LucidAscent\Core\Posture\DemandOrder;
use LucidAscent\Core\Posture\PrerequisiteGraph;

/**
 * All entries of a catalogue folder, and everything that is wrong with them: each against its
 * schema, then all of them together.
 */
final class CatalogueFolder
{
    private const MESSAGES = [
        'unknown-posture' => 'names "%s", which is no posture.',
        'related-to-itself' => 'is related to itself by "%s".',
        'unreachable' => '"%s" is tied to no other posture.',
        'cycle' => 'leads back to itself by way of "%s".',
        'no-test-judges' => 'asks for "%s", which no test judges.',
    ];

    /** @var array<string, array<string, array<string, mixed>>> by kind, by id */
    public array $entries = [];

    /** @var list<Fault> */
    public array $faults = [];

    /** @var array<string, true> ids of entries that could not be read */
    private array $broken = [];

    /** @var array<string, string> text by file */
    private array $texts = [];

    /** @var array<string, string> file by kind and id */
    private array $files = [];

    /**
     * @param string $locale the language of its texts: those under locale/…/ are laid over the English
     * @param array<string, array<string, array<string, mixed>>>|null $compiled entries that were read and found right
     *     before, by kind and id; null to read them
     */
    public function __construct(
        private readonly string $folder,
        private readonly string $locale = 'en',
        ?array $compiled = null,
    ) {
        if (null !== $compiled) {
            $this->entries = $compiled;

            return;
        }
        foreach (Kind::cases() as $kind) {
            $this->entries[$kind->value] = [];
            foreach (glob("$folder/{$kind->folder()}/*.yaml") ?: [] as $path) {
                $this->add($kind, (string) file_get_contents($path), $kind->folder().'/'.basename($path));
            }
        }
        foreach (array_keys($this->entries[Kind::Posture->value]) as $id) {
            array_push($this->faults, ...$this->demandFaults($id));
        }
        $this->checkTogether();
    }

    /**
     * What would be wrong with one more entry, or with an entry in place of the one of its name.
     *
     * @return array{array<string, mixed>, list<Fault>}
     */
    public function tried(Kind $kind, string $text, string $file): array
    {
        [$entry, $faults] = EntryText::read($kind, $text, $file, $this->folder.'/schema');
        if ([] === $faults) {
            $with = clone $this;
            $with->faults = [];
            $id = (string) $entry['id'];
            $with->entries[$kind->value][$id] = $entry;
            $with->texts[$file] = $text;
            $with->files["$kind->value/$id"] = $file;
            if (Kind::Posture === $kind) {
                array_push($with->faults, ...$with->demandFaults($id));
            }
            $with->checkTogether();
            $faults = array_values(
                array_filter($with->faults, static fn (Fault $fault): bool => $fault->file === $file),
            );
        }

        return [$entry, $faults];
    }

    /** Puts an entry beside those of the folder, when nothing is wrong with it by itself. */
    public function addOwn(Kind $kind, string $text, string $file): void
    {
        [$entry, $faults] = EntryText::read($kind, $text, $file, $this->folder.'/schema');
        if ([] === $faults && is_string($entry['id'] ?? null)) {
            $this->entries[$kind->value][$entry['id']] = $entry;
            $this->texts[$file] = $text;
            $this->files["$kind->value/{$entry['id']}"] = $file;
        }
    }

    private function add(Kind $kind, string $text, string $file): void
    {
        [$entry, $faults] = EntryText::read($kind, $text, $file, $this->folder.'/schema', $this->spoken($file));
        array_push($this->faults, ...$faults);
        $id = $entry['id'] ?? null;
        if (!is_string($id)) {
            return;
        }
        if ([] !== $faults) {
            // Others may speak of it all the same: one fault is not to drag a dozen behind it.
            $this->broken[$id] = true;
        }
        $this->texts[$file] = $text;
        if ("$id.yaml" !== basename($file)) {
            $this->faults[] = new Fault($file, EntryText::line($text, 'id'), 'id', 'is not the name of the file.');
        }
        $this->files["$kind->value/$id"] = $file;
        if ([] === $faults) {
            $this->entries[$kind->value][$id] = $entry;
        }
    }

    /** What a file says in the language of this catalogue, as text; null where that is English, or nothing. */
    private function spoken(string $file): ?string
    {
        $path = "$this->folder/locale/$this->locale/$file";

        return is_file($path) ? (string) file_get_contents($path) : null;
    }

    private function checkTogether(): void
    {
        $postures = $this->entries[Kind::Posture->value];
        $judged = [];
        foreach ($this->entries[Kind::Test->value] as $test) {
            array_push($judged, ...$test['components']);
        }
        foreach (LooseNames::of($this->entries, $this->broken) as [$kind, $id, $path, $message]) {
            $this->faults[] = $this->faultOf($kind, $id, $path, $message);
        }
        $faults = $this->graph()->faults(array_values(array_unique($judged)));
        foreach ($faults as ['posture' => $id, 'code' => $code, 'about' => $about]) {
            if ('unknown-posture' === $code && isset($this->broken[$about])) {
                continue;
            }
            $this->fault($id, $this->placeOf($id, $about), sprintf(self::MESSAGES[$code], $about));
        }
        $held = [];
        foreach ($this->entries[Kind::Caution->value] as $group) {
            foreach ($group['items'] as $item) {
                array_push($held, ...$item['holds']);
            }
        }
        $schools = array_keys($this->entries[Kind::School->value]);
        foreach ($postures as $id => $posture) {
            $names = array_column(Shapes::of($posture), 'id');
            foreach (Shapes::of($posture) as $at => $rung) {
                if (!in_array('all', $held, true) && [] === array_intersect($rung['loads'], $held)) {
                    $this->fault($id, "$at/loads", 'no caution watches over this rung.');
                }
                foreach (
                    array_diff($rung['counter'], array_keys($postures), array_keys($this->broken)) as $unknown
                ) {
                    $this->fault($id, "$at/counter", sprintf('names "%s", which is no posture.', $unknown));
                }
                foreach (
                    array_diff(array_keys($rung['schools']), $schools, array_keys($this->broken)) as $unknown
                ) {
                    $this->fault($id, "$at/schools", sprintf('names "%s", which is no school.', $unknown));
                }
                foreach ($rung['gates'] ?? [] as $gate) {
                    $this->checkGate($id, "$at/gates", $gate);
                }
            }
            if (count($names) !== count(array_unique($names))) {
                $this->fault($id, 'rungs', 'has two rungs of one name.');
            }
            if (true !== ($posture['rungs'][0]['gentle'] ?? false)) {
                $this->fault(
                    $id,
                    'rungs/0',
                    'is not gentle: every ladder begins with a rung that anybody may try.',
                );
            }
        }
    }

    /**
     * What a teacher would miss in the shipped entries; an own one may leave it out.
     *
     * @return list<Fault>
     */
    public function gaps(): array
    {
        $gaps = TeachingGaps::of(
            $this->entries,
            fn (string $id, string $path, string $message): Fault => $this->faultOf(
                Kind::Posture,
                $id,
                $path,
                $message,
            ),
            $this->graph(),
        );

        return [...$gaps, ...$this->demandGaps()];
    }

    /**
     * @return list<Fault> full forms that ask less than what comes before them and say not why, or say why and do not
     */
    private function demandGaps(): array
    {
        $gaps = [];
        $postures = Definitions::ofPostures($this->entries[Kind::Posture->value]);
        foreach ($postures as $id => $posture) {
            $said = array_map(
                static fn (array $one): string => $one['component'].' '.($one['leg'] ?? 'this'),
                $this->entries[Kind::Posture->value][$id]['asks_less'] ?? [],
            );
            $found = array_column(
                array_map(
                    static fn (AsksLess $one): array => [$one->key(), $one],
                    DemandOrder::lacking($posture, $postures, StandardBody::openHips()),
                ),
                1,
                0,
            );
            foreach (array_diff_key($found, array_flip($said)) as $one) {
                $gaps[] = $this->faultOf(
                    Kind::Posture,
                    $id,
                    'rungs/'.(count($posture->rungs) - 1).'/demand',
                    sprintf(
                        'asks %s of %s%s, and %s before it asks %.1f.',
                        null === $one->asked ? 'nothing' : sprintf('%.1f', $one->asked),
                        $one->ability->value,
                        $one->isOtherLeg ? ' of the other leg' : '',
                        $one->before,
                        $one->more,
                    ),
                );
            }
            foreach (array_diff($said, array_keys($found)) as $key) {
                $gaps[] = $this->faultOf(
                    Kind::Posture,
                    $id,
                    'asks_less',
                    sprintf('says why it asks less of "%s", and it does not.', $key),
                );
            }
        }

        return $gaps;
    }

    /** @param array<string, string> $gate */
    private function checkGate(string $id, string $path, array $gate): void
    {
        if (
            isset($gate['first'])
            && !isset($this->entries[Kind::Posture->value][$gate['first']])
            && !isset($this->broken[$gate['first']])
        ) {
            $this->fault($id, $path, sprintf('names "%s", which is no posture.', $gate['first']));
        }
        if (isset($gate['observed']) && !isset($this->entries[Kind::Test->value][$gate['observed']])) {
            $this->fault($id, $path, sprintf('names "%s", which is no test.', $gate['observed']));
        }
    }

    public function graph(): PrerequisiteGraph
    {
        $relations = $targets = $components = [];
        foreach ($this->entries[Kind::Posture->value] as $id => $posture) {
            $relations[$id] = array_map(
                static fn (array $others): array => array_map(strval(...), array_keys($others)),
                $posture['relations'],
            );
            $components[$id] = Definitions::abilities($posture);
            if (true === $posture['target']) {
                $targets[] = $id;
            }
        }

        return new PrerequisiteGraph($relations, $targets, $components);
    }

    /** @return list<Fault> contacts that the leg chain does not know, or cannot make */
    private function demandFaults(string $id): array
    {
        $posture = $this->entries[Kind::Posture->value][$id];
        $places = [];
        foreach (Shapes::of($posture) as $at => $rung) {
            foreach (['demand', 'other_leg'] as $leg) {
                if (isset($rung[$leg]['contact'])) {
                    $places["$at/$leg"] = [$rung[$leg]['contact'], $rung[$leg]['values']];
                }
            }
        }
        if (isset($posture['figure']['lab'])) {
            $places['figure'] = [$posture['figure']['lab'], $posture['figure']['values']];
        }
        $faults = [];
        foreach ($places as $path => [$contact, $values]) {
            try {
                $demand =
                    CatalogueDemand::find($contact, $values) ??
                    throw InvalidValue::because($contact, 'is no contact of the leg chain.');
                $demand->posture(StandardBody::openHips(), StandardBody::upper())->angles(StandardBody::leg());
            } catch (\DomainException $e) {
                $faults[] = $this->faultOf(Kind::Posture, $id, $path, $e->getMessage());
            }
        }

        return $faults;
    }

    private function fault(string $id, string $path, string $message): void
    {
        $this->faults[] = $this->faultOf(Kind::Posture, $id, $path, $message);
    }

    /** What is wrong at a place of an entry, with the file and the line it is in. */
    public function faultOf(Kind $kind, string $id, string $path, string $message): Fault
    {
        $file = $this->files["$kind->value/$id"] ?? $id;

        return new Fault($file, EntryText::line($this->texts[$file] ?? '', $path), $path, $message);
    }

    /** Under which relation, or else where, an entry speaks of something. */
    private function placeOf(string $id, string $about): string
    {
        $posture = $this->entries[Kind::Posture->value][$id];
        foreach ($posture['relations'] as $relation => $others) {
            if (isset($others[$about]) || $relation === $about) {
                return "relations/$relation".(isset($others[$about]) ? "/$about" : '');
            }
        }
        foreach ($posture['rungs'] as $i => $rung) {
            foreach ($rung['demand']['thresholds'] ?? [] as $threshold) {
                if ($threshold['component'] === $about) {
                    return "rungs/$i/demand";
                }
            }
        }

        return in_array($about, $posture['components'], true) ? 'components' : 'id';
    }
}
