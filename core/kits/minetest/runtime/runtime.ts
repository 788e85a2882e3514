/**
 * The runtime of a built mod: registers what the tables beside it declare, and does with the
 * engine's own callbacks what the engine has no words for. It is the same for every mod.
 */
export const runtimeLua = String.raw`-- Registers what the tables beside this file declare, and gives blocks their states: a state is the
-- name of a node and the byte beside it. This file is the same in every mod that Obrank builds.

-- The engine's numbers grow to the east, up and to the north.
local steps = {
	north = { x = 0, y = 0, z = 1 }, south = { x = 0, y = 0, z = -1 },
	east = { x = 1, y = 0, z = 0 }, west = { x = -1, y = 0, z = 0 },
	up = { x = 0, y = 1, z = 0 }, down = { x = 0, y = -1, z = 0 },
}
local directions = { "north", "east", "south", "west", "up", "down" }
local headings = { "north", "east", "south", "west" }
local opposite = {
	north = "south", south = "north", east = "west", west = "east", up = "down", down = "up",
}
local axis_of = { north = "z", south = "z", east = "x", west = "x", up = "y", down = "y" }

local function contains(list, wanted)
	for _, one in ipairs(list) do
		if one == wanted then return true end
	end
	return false
end

-- How much an item or a node is of a group; 0 for none, and for what nobody registered.
local function rating_of(name, group)
	local definition = minetest.registered_items[name]
	return definition and definition.groups and definition.groups[group] or 0
end

-- States ----------------------------------------------------------------------------------------

-- By the name of a node: its block, and the state that each of its bytes stands for.
local kept = {}

local function has_value(property, value)
	return value ~= nil and contains(property.values, value)
end

-- A state as a number: mixed radix over the properties, the last one counting fastest.
local function state_of(block, values)
	local state = 0
	for _, property in ipairs(block.properties) do
		local value = values[property.name]
		if not has_value(property, value) then value = property.default end
		for place, one in ipairs(property.values) do
			if one == value then state = state * #property.values + place - 1 end
		end
	end
	return state
end

local function values_of(block, state)
	local values = {}
	for place = #block.properties, 1, -1 do
		local property = block.properties[place]
		local count = #property.values
		values[property.name] = property.values[state % count + 1]
		state = math.floor(state / count)
	end
	return values
end

local function node_of(block, state)
	return {
		name = block.nodes[block.codes[2 * state + 1] + 1].name,
		param2 = block.codes[2 * state + 2],
	}
end

-- The block that a node belongs to, and its values.
local function read(node)
	local one = kept[node.name]
	if not one then return nil end
	return one.block, values_of(one.block, one.states[node.param2 or 0] or one.first)
end

local function get(pos)
	local block, values = read(minetest.get_node(pos))
	return values, block and block.name
end

local function set(pos, changes)
	local block, values = read(minetest.get_node(pos))
	if not block then return false end
	for name, value in pairs(changes) do values[name] = value end
	minetest.swap_node(pos, node_of(block, state_of(block, values)))
	return true
end

-- Placing ---------------------------------------------------------------------------------------

local function is_whole(definition)
	local box = definition.collision_box or definition.node_box
	return definition.walkable ~= false and (not box or box.type == "regular")
		and definition.liquidtype == "none"
end

local function neighbours_of(pos, block)
	local found, signal, beside = {}, false, {}
	for _, direction in ipairs(directions) do
		local node = minetest.get_node(vector.add(pos, steps[direction]))
		local definition = minetest.registered_nodes[node.name]
		local own = kept[node.name]
		if own and own.block == block then
			found[direction] = "own kind"
			local _, values = read(node)
			beside[direction] = values
		elseif definition and is_whole(definition) then
			found[direction] = "solid"
		else
			found[direction] = "open"
		end
		if rating_of(node.name, "signal") > 0 then signal = true end
	end
	return found, signal, beside
end

local function half_of(situation)
	if situation.clicked == "up" then return "lower" end
	if situation.clicked == "down" then return "upper" end
	return situation.half
end

local function holds(when, situation)
	if not when then return true end
	if when.clicked and not contains(when.clicked, situation.clicked) then return false end
	if when.half and when.half ~= half_of(situation) then return false end
	if when.crouching ~= nil and when.crouching ~= situation.crouching then return false end
	if when.signal ~= nil and when.signal ~= situation.signal then return false end
	if when.solid then
		for _, side in ipairs(when.solid) do
			if situation.neighbours[side] == "solid" then return true end
		end
		return false
	end
	return true
end

-- The side that the block leans against: the clicked one before the first that is solid.
local function solid_side(situation, among)
	local first
	local behind = opposite[situation.clicked]
	for _, side in ipairs(among) do
		local leans = situation.neighbours[side] == "solid"
			and situation.neighbours[opposite[side]] ~= "solid"
		if leans and side == behind then return side end
		if leans then first = first or side end
	end
	return first
end

local left_of = { south = "east", east = "north", north = "west", west = "south" }

-- How a block goes round a corner, by those of its kind beside it.
local function corner_of(rule, values, situation)
	local own = values.heading
	if not left_of[own] then return nil end
	local function facing(side)
		local state = situation.beside[side]
		if not state then return nil end
		for _, name in ipairs(rule.alike or {}) do
			if state[name] ~= nil and state[name] ~= values[name] then return nil end
		end
		return left_of[state.heading] and state.heading or nil
	end
	local function across(side)
		local other = facing(side)
		if other == own or other == opposite[own] then return nil end
		return other
	end
	local behind = across(opposite[own])
	if behind and facing(behind) ~= own then
		return opposite[behind] == left_of[own] and "outer_left" or "outer_right"
	end
	local before = across(own)
	if before and facing(opposite[before]) ~= own then
		return opposite[before] == left_of[own] and "inner_left" or "inner_right"
	end
	return "straight"
end

local ways = {
	["corner"] = function(rule, _, situation, values) return corner_of(rule, values, situation) end,
	["from the item"] = function(rule, _, situation) return situation.carried[rule.set] end,
	["fixed"] = function(rule) return rule.value end,
	["toward the player"] = function(_, property, situation)
		return opposite[property.kind == "direction" and situation.look or situation.looks]
	end,
	["away from the player"] = function(_, property, situation)
		return property.kind == "direction" and situation.look or situation.looks
	end,
	["clicked side"] = function(_, _, situation) return situation.clicked end,
	["along the clicked side"] = function(_, _, situation) return axis_of[situation.clicked] end,
	["away from a solid neighbour"] = function(_, property, situation)
		local side = solid_side(situation, property.kind == "heading" and headings or directions)
		if not side then return nil end
		return property.kind == "axis" and axis_of[side] or opposite[side]
	end,
}

local questions = {
	["half of the clicked side"] = function(_, situation) return half_of(situation) == "upper" end,
	["crouching"] = function(_, situation) return situation.crouching end,
	["signal"] = function(_, situation) return situation.signal end,
	["joined"] = function(rule, situation)
		return rule.side ~= nil and situation.neighbours[rule.side] ~= "open"
	end,
}

local function given(rule, property, situation, values)
	local value
	if questions[rule.to] then
		local yes = questions[rule.to](rule, situation)
		if yes then value = rule.value else value = rule.otherwise end
		if value == nil and property.kind == "toggle" then value = yes end
	else
		value = ways[rule.to](rule, property, situation, values)
	end
	if has_value(property, value) then return value end
	return nil
end

-- The values that placing gives; "only" names the properties that are asked for, all without it.
local function place_property(block, property, situation, values)
	for _, rule in ipairs(block.placing) do
		if rule.set == property.name and holds(rule.when, situation) then
			local value = given(rule, property, situation, values)
			if value ~= nil then
				values[property.name] = value
				return
			end
		end
	end
end

-- What asks for the other properties comes last.
local function placed(block, situation, values, only)
	for _, is_last in ipairs({ false, true }) do
		for _, property in ipairs(block.properties) do
			local is_asked = not only or only[property.name]
			if is_asked and (block.corners[property.name] or false) == is_last then
				place_property(block, property, situation, values)
			end
		end
	end
	return values
end

local function direction_of(step)
	for _, direction in ipairs(directions) do
		if vector.equals(steps[direction], step) then return direction end
	end
	return "up"
end

local function looks_of(placer)
	local look = placer and placer:get_look_dir() or { x = 0, y = 0, z = 1 }
	local level
	if math.abs(look.x) > math.abs(look.z) then
		level = look.x > 0 and "east" or "west"
	else
		level = look.z >= 0 and "north" or "south"
	end
	if math.abs(look.y) <= math.max(math.abs(look.x), math.abs(look.z)) then return level, level end
	return level, look.y > 0 and "up" or "down"
end

local function situation_at(block, pos, stack, placer, pointed)
	local neighbours, signal, beside = neighbours_of(pos, block)
	local looks, look = looks_of(placer)
	local face = placer and minetest.pointed_thing_to_face_pos(placer, pointed)
	local meta, carried = stack:get_meta(), {}
	for _, property in ipairs(block.properties) do
		local word = meta:get_string("state_" .. property.name)
		for _, value in ipairs(property.values) do
			if tostring(value) == word then carried[property.name] = value end
		end
	end
	return {
		clicked = direction_of(vector.subtract(pointed.above, pointed.under)),
		half = face and face.y - pos.y > 0 and "upper" or "lower",
		looks = looks,
		look = look,
		crouching = placer ~= nil and placer:get_player_control().sneak == true,
		signal = signal,
		neighbours = neighbours,
		beside = beside,
		carried = carried,
	}
end

local function on_place(block)
	return function(stack, placer, pointed)
		if pointed.type ~= "node" then return stack end
		local under = minetest.get_node(pointed.under)
		local below = minetest.registered_nodes[under.name]
		local sneaks = placer and placer:get_player_control().sneak
		if below and below.on_rightclick and not sneaks then
			return below.on_rightclick(pointed.under, under, placer, stack, pointed) or stack
		end
		local pos = below and below.buildable_to and pointed.under or pointed.above
		local values = placed(block, situation_at(block, pos, stack, placer, pointed), {})
		local node = node_of(block, state_of(block, values))
		local _, where = minetest.item_place_node(ItemStack(node.name), placer, pointed, node.param2)
		if where and not minetest.is_creative_enabled(placer and placer:get_player_name() or "") then
			stack:take_item()
		end
		return stack
	end
end

-- What follows the neighbours goes on following them.
local function refresh(pos)
	local block, values = read(minetest.get_node(pos))
	if not block or not next(block.follows) then return end
	local neighbours, signal, beside = neighbours_of(pos, block)
	local before = state_of(block, values)
	local situation = {
		clicked = "up", half = "lower", looks = "north", look = "north", crouching = false,
		signal = signal, neighbours = neighbours, beside = beside, carried = {},
	}
	local after = state_of(block, placed(block, situation, values, block.follows))
	if after ~= before then minetest.swap_node(pos, node_of(block, after)) end
end

local function refresh_around(pos)
	for _, direction in ipairs(directions) do refresh(vector.add(pos, steps[direction])) end
end

-- Drops -----------------------------------------------------------------------------------------

local function number_of(count)
	if count == nil then return 1 end
	if type(count) == "number" then return math.max(0, math.ceil(count)) end
	if count.tries then
		local hits = 0
		for _ = 1, count.tries do
			if math.random() < count.chance then hits = hits + 1 end
		end
		return hits
	end
	local low = math.max(0, math.ceil(math.min(count[1], count[2])))
	local high = math.max(low, math.floor(math.max(count[1], count[2])))
	return math.random(low, high)
end

local function fulfils(when, breaking)
	if not when then return true end
	if when.careful ~= nil and when.careful ~= breaking.careful then return false end
	if when.blast ~= nil and when.blast ~= breaking.blast then return false end
	if when.tool and when.tool ~= breaking.kind then return false end
	if when.grade and not (breaking.grade and breaking.grade >= when.grade) then return false end
	for name, wanted in pairs(when.state or {}) do
		if not contains(wanted, breaking.values[name]) then return false end
	end
	if when.chance and math.random() >= when.chance then return false end
	for _, one in ipairs(when.all or {}) do
		if not fulfils(one, breaking) then return false end
	end
	if when.none and fulfils(when.none, breaking) then return false end
	if not when.any then return true end
	for _, one in ipairs(when.any) do
		if fulfils(one, breaking) then return true end
	end
	return false
end

-- The lot that takes a draw: the first without a share that holds, else one of the others by share.
local function lot_of(lots, breaking)
	local sharing, sum = {}, 0
	for _, lot in ipairs(lots) do
		if not lot.share and fulfils(lot.when, breaking) then return lot end
	end
	for _, lot in ipairs(lots) do
		if lot.share and lot.share > 0 and fulfils(lot.when, breaking) then
			sharing[#sharing + 1] = lot
			sum = sum + lot.share
		end
	end
	local left = math.random() * sum
	for _, lot in ipairs(sharing) do
		left = left - lot.share
		if left < 0 then return lot end
	end
	return nil
end

-- An item as a word: what it carries of the state goes with it.
local function carrying(lot, values)
	if not lot.keeps then return lot.give end
	local stack = ItemStack(lot.give)
	for _, name in ipairs(lot.keeps) do
		stack:get_meta():set_string("state_" .. name, tostring(values[name]))
	end
	return stack:to_string()
end

local function draw(draws, tables, breaking, got, seen)
	for _, one in ipairs(draws) do
		for _ = 1, number_of(one.times) do
			local lot = lot_of(one.lots, breaking)
			if lot and lot.give then
				local key = carrying(lot, breaking.values)
				got[key] = (got[key] or 0) + number_of(lot.count)
			elseif lot and lot.table and tables[lot.table] and not seen[lot.table] then
				seen[lot.table] = true
				for _ = 1, number_of(lot.count) do
					draw(tables[lot.table], tables, breaking, got, seen)
				end
				seen[lot.table] = nil
			end
		end
	end
end

local function drops_of(mod, block, breaking)
	local got, list = {}, {}
	draw(block.draws, mod.tables, breaking, got, {})
	for key, count in pairs(got) do
		if count > 0 and not key:find(" ") then
			list[#list + 1] = key .. " " .. count
		elseif count > 0 then
			local stack = ItemStack(key)
			stack:set_count(count)
			list[#list + 1] = stack:to_string()
		end
	end
	if #list > 1 then table.sort(list) end
	return list
end

-- What an item digs as: its groups say so, in this mod and in others.
local function tool_of(mod, toolname)
	for _, kind in ipairs(mod.kinds) do
		local rating = rating_of(toolname or "", mod.name .. "_tool_" .. kind)
		if rating > 0 then return kind, rating - 1 end
	end
	return nil, nil
end

local function dug(mod, node, toolname)
	local block, values = read(type(node) == "string" and { name = node } or node)
	local kind, grade = tool_of(mod, toolname)
	local is_right = kind == block.tool and grade ~= nil and grade >= block.grade
	if block.gated and not is_right then return {} end
	return drops_of(mod, block, {
		kind = kind, grade = grade, values = values, blast = false,
		careful = rating_of(toolname or "", "careful") > 0,
	})
end

-- How strong a blast of intensity 1 is, in the energy that blocks are rated by.
local blast_energy = 10

local function on_blast(mod, block)
	return function(pos, intensity)
		if intensity * blast_energy < block.rating then return nil end
		local _, values = read(minetest.get_node(pos))
		minetest.remove_node(pos)
		refresh_around(pos)
		return drops_of(mod, block, { values = values, blast = true, careful = false })
	end
end

-- Saved worlds ----------------------------------------------------------------------------------

-- What the last release kept elsewhere is put where it is kept now, when it first comes into sight.
local function register_moved(mod, block)
	local places, names = {}, {}
	for _, one in ipairs(block.moved) do
		local own = kept[one[1]]
		if own and own.states[one[2]] == nil then
			places[one[1] .. " " .. one[2]] = one[3]
			own.states[one[2]] = one[3]
			names[#names + 1] = one[1]
		end
	end
	if #names == 0 then return end
	minetest.register_lbm({
		name = mod.name .. ":moved_" .. block.name:gsub(":", "_") .. "_" .. mod.version,
		nodenames = names,
		run_at_every_load = false,
		action = function(pos, node)
			local state = places[node.name .. " " .. node.param2]
			if state then minetest.swap_node(pos, node_of(block, state)) end
		end,
	})
end

-- Reactions -------------------------------------------------------------------------------------

local happen, around_changed
local answers = {}

local function strength_at(pos)
	return minetest.get_meta(pos):get_int("signal")
end

local function is_signalled(pos)
	for _, direction in ipairs(directions) do
		local other = vector.add(pos, steps[direction])
		if strength_at(other) > 0 or rating_of(minetest.get_node(other).name, "signal") > 0 then
			return true
		end
	end
	return false
end

-- What an id of a condition means: nothing, a group, or a name.
local function is_meant(meant, name, is_node)
	if meant.nothing then return name == nil or name == "" or name == "air" end
	if name == nil then return false end
	if meant.group then
		return rating_of(name, meant.group) > 0
	end
	local own = is_node and kept[name]
	if own then return own.block.name == meant.name end
	local fluid = is_node and answers.wet[name]
	if fluid then return fluid.source == meant.name end
	return name == meant.name
end

local function has_values(wanted, values)
	for name, list in pairs(wanted) do
		if not contains(list, values[name]) then return false end
	end
	return true
end

local function stands_beside(pos, asked)
	for _, direction in ipairs(asked.side and { asked.side } or directions) do
		local node = minetest.get_node(vector.add(pos, steps[direction]))
		if is_meant(asked.is, node.name, true) then
			if not asked.state then return true end
			local _, values = read(node)
			if values and has_values(asked.state, values) then return true end
		end
	end
	return false
end

local function holds_true(asks, pos, values, what)
	if not asks then return true end
	if asks.state and not has_values(asks.state, values) then return false end
	if asks.tool and asks.tool ~= what.kind then return false end
	if asks.grade and not (what.grade and what.grade >= asks.grade) then return false end
	if asks.holds and not is_meant(asks.holds, what.item, false) then return false end
	if asks.crouching ~= nil and asks.crouching ~= (what.crouching or false) then return false end
	if asks.light then
		local light = minetest.get_node_light(vector.add(pos, steps.up)) or 15
		if light < asks.light[1] or light > asks.light[2] then return false end
	end
	if asks.signal ~= nil and asks.signal ~= is_signalled(pos) then return false end
	if asks.neighbour and not stands_beside(pos, asks.neighbour) then return false end
	return not asks.chance or math.random() < asks.chance
end

-- What a cell hears in the next step: once that a neighbour changes, however many do; of signals
-- what has become of them, so that one which comes and goes again is not heard.
local waiting = {}
local function hear(pos, event)
	local kind = event == "neighbour changes" and "changes" or "signals"
	local key = minetest.hash_node_position(pos) .. kind
	local before = waiting[key]
	if before then
		if before.event ~= event then waiting[key] = nil end
		return
	end
	local heard = { event = event }
	waiting[key] = heard
	minetest.after(0, function()
		if waiting[key] ~= heard then return end
		waiting[key] = nil
		happen(pos, event, {})
	end)
end

local function tell_signals(pos, had)
	for place, direction in ipairs(directions) do
		local other = vector.add(pos, steps[direction])
		local has = is_signalled(other)
		if has ~= had[place] then
			hear(other, has and "signal comes" or "signal goes")
		end
	end
end

local function signals_around(pos)
	local had = {}
	for place, direction in ipairs(directions) do
		had[place] = is_signalled(vector.add(pos, steps[direction]))
	end
	return had
end

local function give_signal(pos, strength, seconds)
	local had = signals_around(pos)
	minetest.get_meta(pos):set_int("signal", strength)
	tell_signals(pos, had)
	if strength > 0 and seconds then
		local node = minetest.get_node(pos)
		local block = read(node)
		minetest.after(seconds, function()
			if read(minetest.get_node(pos)) == block then give_signal(pos, 0) end
		end)
	end
end

-- The timer of a cell is that of the soonest reaction that its state waits for.
local function start_timer(pos, after)
	local block, values = read(minetest.get_node(pos))
	local timer = minetest.get_node_timer(pos)
	timer:stop()
	local soonest
	for _, one in ipairs(block and block.reactions or {}) do
		local fits = not one.asks or not one.asks.state or has_values(one.asks.state, values)
		local seconds = one.seconds or 0
		if one.when == "after ticks" and fits and seconds > (after or 0) then
			soonest = math.min(soonest or seconds, seconds)
		end
	end
	if soonest then
		minetest.get_meta(pos):set_string("waits", tostring(soonest))
		timer:start(soonest - (after or 0))
	end
end

local function put_state(pos, block, values)
	local node = node_of(block, state_of(block, values))
	local before = minetest.get_node(pos)
	if before.name == node.name and before.param2 == node.param2 then return end
	minetest.swap_node(pos, node)
	start_timer(pos)
	around_changed(pos)
end

local function place_of(block, name)
	for place, property in ipairs(block.properties) do
		if property.name == name then return property, place end
	end
end

local function changed_value(block, values, act)
	local property = place_of(block, act.property)
	if not property then return end
	if act["do"] == "set" then
		if has_value(property, act.to) then values[property.name] = act.to end
		return
	end
	local now = 1
	for place, value in ipairs(property.values) do
		if value == values[property.name] then now = place end
	end
	if act["do"] == "flip" then
		values[property.name] = property.values[now % #property.values + 1]
	else
		local next = math.max(1, math.min(#property.values, now + act.by))
		values[property.name] = property.values[next]
	end
end

-- Another block, with the values that it keeps and those that are named.
local function comes(pos, act, values)
	local block = answers.blocks[act.block]
	local had = signals_around(pos)
	if block then
		local own = {}
		for _, property in ipairs(block.properties) do
			if act.keeps then own[property.name] = values[property.name] end
			if act.state[property.name] ~= nil then own[property.name] = act.state[property.name] end
		end
		minetest.set_node(pos, node_of(block, state_of(block, own)))
	elseif minetest.registered_nodes[act.block] then
		minetest.set_node(pos, { name = act.block })
	end
	tell_signals(pos, had)
	start_timer(pos)
	around_changed(pos)
end

local function is_open(pos)
	return minetest.get_node(pos).name == "air"
end

local function spread_from(pos, name, act)
	local found = {}
	for dx = -act.within, act.within do for dy = -1, 1 do for dz = -act.within, act.within do
		local other = vector.add(pos, { x = dx, y = dy, z = dz })
		local under = minetest.get_node(vector.add(other, steps.down)).name
		local lies = under ~= "air" and not answers.wet[under]
		if is_open(other) and lies and (not act.onto or is_meant(act.onto, under, true)) then
			found[#found + 1] = other
		end
	end end end
	if #found > 0 then
		comes(found[math.random(#found)], { block = name, state = {} }, {})
	end
end

local acts = {}
function acts.become(pos, act, block, values) comes(pos, act, values) end
function acts.vanish(pos)
	local had = signals_around(pos)
	minetest.remove_node(pos)
	tell_signals(pos, had)
	around_changed(pos)
end
function acts.drop(pos, act) minetest.add_item(pos, act.item .. " " .. (act.count or 1)) end
function acts.give(pos, act, _, _, what)
	local stack = ItemStack(act.item .. " " .. (act.count or 1))
	local inventory = what.player and what.player:get_inventory()
	local left = inventory and inventory:add_item("main", stack) or stack
	if not left:is_empty() then minetest.add_item(pos, left) end
end
function acts.take(_, act, _, _, what)
	if what.stack then what.stack:take_item(act.count or 1) end
end
function acts.play(pos, act) minetest.sound_play(act.sound, { pos = pos }, true) end
function acts.signal(pos, act) give_signal(pos, act.strength, act.ticks) end
function acts.pour(pos, act)
	local other = vector.add(pos, steps[act.side])
	if is_open(other) then minetest.set_node(other, { name = act.fluid }) end
end
function acts.drain(pos, act)
	local other = vector.add(pos, steps[act.side])
	if answers.wet[minetest.get_node(other).name] then minetest.remove_node(other) end
end
function acts.place(pos, act, _, values)
	local other = vector.add(pos, steps[act.side])
	if is_open(other) then comes(other, act, values) end
end
function acts.spread(pos, act, block) spread_from(pos, block.name, act) end
function acts.call(pos, act)
	for _ = 1, act.count or 1 do
		if minetest.registered_entities[act.creature] then
			minetest.add_entity(vector.add(pos, steps.up), act.creature)
		end
	end
end
function acts.run(pos, act, _, _, what)
	local own = answers.functions[act["function"]]
	if own then own(pos, what) end
end

local function do_acts(pos, block, values, list, what)
	local changes = { set = true, flip = true, step = true }
	for _, act in ipairs(list) do
		if changes[act["do"]] then
			local here, now = read(minetest.get_node(pos))
			if here == block then
				changed_value(block, now, act)
				put_state(pos, block, now)
				values = now
			end
		elseif acts[act["do"]] then
			acts[act["do"]](pos, act, block, values, what)
		end
	end
end

-- Something happens to a block: the first reaction that fits answers.
happen = function(pos, event, what)
	local block, values = read(what.node or minetest.get_node(pos))
	if not block or not block.reactions then return false end
	for place, one in ipairs(block.reactions) do
		local fits = one.when == event and (not one.by or one.by == what.by)
			and (not what.reaction or what.reaction == place)
			and (not what.seconds or one.seconds == what.seconds)
		if fits and holds_true(one.asks, pos, values, what) then
			do_acts(pos, block, values, one.acts, what)
			return true
		end
	end
	return false
end

around_changed = function(pos)
	for _, direction in ipairs(directions) do
		hear(vector.add(pos, steps[direction]), "neighbour changes")
	end
end

local function who(mod, player, stack)
	local name = stack and stack:get_name() or ""
	local kind, grade = answers.tool_of(mod, name)
	return {
		by = "players", player = player, stack = stack, item = name ~= "" and name or nil,
		kind = kind, grade = grade,
		crouching = player and player:get_player_control().sneak == true or false,
	}
end

local function on_use(mod)
	return function(pos, _, clicker, stack)
		happen(pos, "used", who(mod, clicker, stack))
		return stack
	end
end

local function on_timer(pos)
	local waited = tonumber(minetest.get_meta(pos):get_string("waits")) or 0
	local before = minetest.get_node(pos)
	happen(pos, "after ticks", { seconds = waited })
	local after = minetest.get_node(pos)
	if before.name == after.name and before.param2 == after.param2 then start_timer(pos, waited) end
	return false
end

local function register_chances(mod, block)
	local names = {}
	for _, node in ipairs(block.nodes) do names[#names + 1] = node.name end
	for place, one in ipairs(block.reactions) do
		if one.when == "at random" then
			minetest.register_abm({
				label = block.name .. " " .. place,
				nodenames = names,
				interval = 1,
				chance = math.max(1, math.floor((one.seconds or 0) + 0.5)),
				catch_up = false,
				action = function(pos) happen(pos, "at random", { reaction = place }) end,
			})
		end
	end
end

-- Players are looked at a few times a second: where somebody steps onto another node it hears of it.
local function watch_feet(mod)
	local stood, passed = {}, 0
	minetest.register_globalstep(function(time)
		passed = passed + time
		if passed < 0.1 then return end
		passed = 0
		for _, player in ipairs(minetest.get_connected_players()) do
			local pos = vector.round(vector.subtract(player:get_pos(), { x = 0, y = 0.1, z = 0 }))
			local key = minetest.pos_to_string(pos)
			if stood[player:get_player_name()] ~= key then
				stood[player:get_player_name()] = key
				happen(pos, "stepped on", who(mod, player, player:get_wielded_item()))
			end
		end
	end)
end

-- Fluids ----------------------------------------------------------------------------------------

local wet = {}
local blocks_by_name = {}

-- Puts a block in the state in which nothing said otherwise, or the source of a fluid.
local function put(pos, name)
	local block = blocks_by_name[name]
	if block then
		minetest.set_node(pos, node_of(block, state_of(block, {})))
	elseif minetest.registered_nodes[name] then
		minetest.set_node(pos, { name = name })
	end
end

-- What a node is called where fluids meet it: its block, whatever its state, or its fluid.
local function called(pos)
	local node = minetest.get_node(pos)
	local own = kept[node.name]
	if own then return own.block.name end
	return wet[node.name] and wet[node.name].source or node.name
end

-- What a fluid becomes here, by what it touches; the first meeting that is met counts.
local function met(pos, fluid)
	for _, meeting in ipairs(fluid.meets) do
		for _, direction in ipairs(directions) do
			if called(vector.add(pos, steps[direction])) == meeting.with then return meeting.becomes end
		end
	end
	return nil
end

-- After the engine has moved fluids: what ran dry leaves something, what touches something becomes
-- what comes of that.
local function after_moving(places, before)
	for at, pos in ipairs(places) do
		local was, name = wet[before[at].name], minetest.get_node(pos).name
		local now = wet[name]
		if was and was.leaves and name == "air" then
			put(pos, was.leaves)
		elseif now then
			local becomes = met(pos, now)
			if becomes and becomes ~= name then put(pos, becomes) end
		end
	end
end

-- A bucket fills from a source, and pours one.
local function register_buckets(buckets)
	local full_of, empties = {}, {}
	for _, one in ipairs(buckets) do
		full_of[one.empty] = full_of[one.empty] or {}
		full_of[one.empty][one.source] = one.full
		empties[one.empty] = true
		minetest.override_item(one.full, {
			liquids_pointable = true,
			on_place = function(stack, placer, pointed)
				if pointed.type ~= "node" then return stack end
				local below = minetest.registered_nodes[minetest.get_node(pointed.under).name]
				local pos = below and below.buildable_to and pointed.under or pointed.above
				local there = minetest.registered_nodes[minetest.get_node(pos).name]
				if not there or not there.buildable_to then return stack end
				if minetest.is_protected(pos, placer and placer:get_player_name() or "") then
					return stack
				end
				minetest.set_node(pos, { name = one.source })
				return ItemStack(one.empty)
			end,
		})
	end
	for empty in pairs(empties) do
		minetest.override_item(empty, {
			liquids_pointable = true,
			on_use = function(stack, user, pointed)
				if pointed.type ~= "node" then return nil end
				local full = full_of[empty][minetest.get_node(pointed.under).name]
				if not full then return nil end
				if minetest.is_protected(pointed.under, user and user:get_player_name() or "") then
					return nil
				end
				minetest.remove_node(pointed.under)
				if stack:get_count() == 1 then return ItemStack(full) end
				stack:take_item()
				local inventory = user and user:get_inventory()
				local left = inventory and inventory:add_item("main", full) or ItemStack(full)
				if not left:is_empty() then minetest.add_item(pointed.above, left) end
				return stack
			end,
		})
	end
end

local function register_fluids(mod)
	for _, fluid in ipairs(mod.wet.fluids) do
		for which, definition in pairs(fluid.definitions) do
			definition.description = mod.translated(definition.description)
			wet[fluid[which]] = fluid
			minetest.register_node(fluid[which], definition)
		end
	end
	if #mod.wet.fluids > 0 then minetest.register_on_liquid_transformed(after_moving) end
end

-- Registering -----------------------------------------------------------------------------------

local function register_block(mod, block)
	for place, node in ipairs(block.nodes) do
		local one = { block = block, states = {}, first = nil }
		for state = 0, #block.codes / 2 - 1 do
			if block.codes[2 * state + 1] == place - 1 then
				one.states[block.codes[2 * state + 2]] = state
				one.first = one.first or state
			end
		end
		-- What only the engine's own turning gives stands for what looks the same.
		for at = 1, #block.also, 3 do
			if block.also[at] == place - 1 then one.states[block.also[at + 1]] = block.also[at + 2] end
		end
		kept[node.name] = one
		local definition = node.definition
		definition.description = mod.translated(definition.description)
		definition.on_place = on_place(block)
		if block.reactions then
			definition.on_timer = on_timer
			for _, one in ipairs(block.reactions) do
				if one.when == "used" then definition.on_rightclick = on_use(mod) end
			end
		end
		definition.on_blast = on_blast(mod, block)
		definition.drop = ""
		minetest.register_node(node.name, definition)
	end
	register_moved(mod, block)
	if block.reactions then register_chances(mod, block) end
end

return function(mod)
	mod.translated = minetest.get_translator(mod.name)
	answers.wet, answers.blocks, answers.functions = wet, blocks_by_name, {}
	answers.tool_of = tool_of
	for _, block in ipairs(mod.blocks) do
		register_block(mod, block)
		blocks_by_name[block.name] = block
	end
	register_fluids(mod)
	for name, item in pairs(mod.items) do
		item.description = mod.translated(item.description)
		if item.tool_capabilities then
			minetest.register_tool(name, item)
		else
			minetest.register_craftitem(name, item)
		end
	end
	register_buckets(mod.wet.buckets)
	for _, recipe in ipairs(mod.recipes) do minetest.register_craft(recipe) end
	for old, new in pairs(mod.aliases) do minetest.register_alias(old, new) end

	local engine_drops = minetest.get_node_drops
	minetest.get_node_drops = function(node, toolname)
		local name = type(node) == "string" and node or node.name
		local own = kept[name]
		if own and own.block.mod == mod.name then return dug(mod, node, toolname) end
		return engine_drops(node, toolname)
	end
	for _, block in ipairs(mod.blocks) do block.mod = mod.name end
	minetest.register_on_placenode(function(pos, _, placer)
		refresh_around(pos)
		start_timer(pos)
		if placer then happen(pos, "placed", who(mod, placer, placer:get_wielded_item())) end
		around_changed(pos)
	end)
	minetest.register_on_dignode(function(pos, before, digger)
		refresh_around(pos)
		local what = who(mod, digger, digger and digger:get_wielded_item())
		what.node = before
		happen(pos, "broken", what)
		around_changed(pos)
	end)
	watch_feet(mod)
	minetest.register_on_mods_loaded(function()
		local hand = table.copy(minetest.registered_items[""].tool_capabilities or {})
		hand.groupcaps = hand.groupcaps or {}
		for group, one in pairs(mod.hand.groupcaps) do hand.groupcaps[group] = one end
		minetest.override_item("", { tool_capabilities = hand })
	end)
	return { get = get, set = set, happen = happen, answers = answers.functions }
end
`;
